/**
 * What is next at a household, what is due after the hand-over, contracts of care and who pays for a call. May use {@code lang},
 * {@code catalogue}, {@code power} and {@code promise}.
 */
package roofnest.core.care;
