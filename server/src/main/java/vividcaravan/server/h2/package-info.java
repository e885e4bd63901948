/** The database: the only adapter of {@code Storage}, and all that knows of H2. May depend on platform. */
package vividcaravan.server.h2;
