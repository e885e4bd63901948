/** What people did to a wheel: pressures set, and when its limits changed. May depend on fleet and platform. */
package vividcaravan.server.wheels;
