/**
 * What stands between the network and every feature: whose address a request has, how many of each kind are let in
 * at once, how large a body may be. May depend on platform.
 */
package vividcaravan.server.door;
