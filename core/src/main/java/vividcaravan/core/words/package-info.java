/** Texts that people read: one file a place and language, key to text. Depends on no other package. */
package vividcaravan.core.words;
