/** What is due after the hand-over. May use {@code lang}, {@code catalogue} and {@code power}. */
package roofnest.core.care;
