/** What a vehicle's own bus says of its tyres, as text logs keep it. May depend on axles. */
package vividcaravan.core.can;
