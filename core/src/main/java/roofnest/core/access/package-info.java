/**
 * Who may look and who may change, who still can although they should not and by what, and the least set of changes that shuts
 * somebody out. May use {@code lang} and {@code cover}.
 */
package roofnest.core.access;
