/** JSON documents that come from outside: checked by size and form, every fault told with where it is. Uses {@code lang} of the core. */
package roofnest.core.document;
