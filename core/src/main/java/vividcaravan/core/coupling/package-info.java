/**
 * Vehicles that are hooked behind each other: who pulled whom when, and what receivers tell of it. May use axles.
 */
package vividcaravan.core.coupling;
