/** Least sets of choices that cover everything, exactly. Knows nothing of the trade and uses no other part. */
package roofnest.core.cover;
