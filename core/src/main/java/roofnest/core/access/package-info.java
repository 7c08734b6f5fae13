/**
 * Who may look and who may change, who still can although they should not and by what, the least set of changes that shuts
 * somebody out, and what those who stay are taught. May use {@code lang}, {@code cover} and {@code catalogue}.
 */
package roofnest.core.access;
