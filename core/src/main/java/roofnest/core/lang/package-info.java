/**
 * Argument checks and number formatting shared by every part. A leaf: it knows nothing of the trade and uses nothing
 * but the JDK.
 */
package roofnest.core.lang;
