/** What the rules have seen, by name, so that it outlives a restart. Depends on no other package. */
package vividcaravan.core.judge.memory;
