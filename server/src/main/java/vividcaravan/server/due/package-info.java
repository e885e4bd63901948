/**
 * Work that comes due: nuts, inspections, batteries, treads and gauges as one list, as a table and for a calendar. May depend on access,
 * distance, fleet, gauges, platform and tyres.
 */
package vividcaravan.server.due;
