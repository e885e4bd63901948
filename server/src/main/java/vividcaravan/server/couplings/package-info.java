/**
 * Which vehicles are hooked behind each other, as people say or receivers hear. May depend on fleet, logbook, platform,
 * receivers and writer.
 */
package vividcaravan.server.couplings;
