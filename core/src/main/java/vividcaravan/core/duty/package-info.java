/** Who is on duty when, and who is called next. Depends on no other package. */
package vividcaravan.core.duty;
