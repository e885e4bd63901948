/**
 * Work that comes due: nuts, inspections, batteries and treads as one list, as a table and for a calendar. May depend on access,
 * fleet, platform and tyres.
 */
package vividcaravan.server.due;
