/**
 * Who may look and who may change, and who still can although they should not. May use {@code lang} and
 * {@code promise}.
 */
package roofnest.core.access;
