/**
 * How a camera is fixed: height against face angle and reach, fixings by wall, cable and clips, cautions. May use
 * {@code lang}, {@code promise}, {@code plan}, {@code catalogue} and {@code view}.
 */
package roofnest.core.mount;
