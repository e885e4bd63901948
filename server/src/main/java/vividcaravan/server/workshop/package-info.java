/** Work at vehicles: fit-out jobs from inspection to the proof that every sensor sits where it should. */
package vividcaravan.server.workshop;
