/** How a vehicle stands on its wheels: kinds, axles, positions. Depends on no other package. */
package vividcaravan.core.axles;
