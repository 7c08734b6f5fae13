/**
 * What the air about a house holds: networks read from the text of command-line Wi-Fi scanners and from CSV, and which
 * channel the house's own network would be better on. May use {@code lang} and {@code catalogue}.
 */
package roofnest.core.scan;
