/**
 * Whether a model can join a house's Wi-Fi as it is named and secured, and what the nearest safe name and password are.
 * May use {@code lang}, {@code promise} and {@code catalogue}.
 */
package roofnest.core.network;
