/**
 * Whether and when a camera notices somebody, and what it then has of them. May use {@code lang}, {@code promise},
 * {@code plan}, {@code catalogue} and {@code view}.
 */
package roofnest.core.motion;
