/**
 * What is next at a household, and what is due after the hand-over. May use {@code lang}, {@code catalogue}, {@code power} and
 * {@code promise}.
 */
package roofnest.core.care;
