/**
 * Vehicles that are hooked behind each other: who pulled whom when, and what receivers tell of it. Depends on no other package.
 */
package vividcaravan.core.coupling;
