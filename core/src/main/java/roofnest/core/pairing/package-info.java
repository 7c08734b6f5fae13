/**
 * The guided run: steps as data, what is expected to be seen, what each answer leads to, and the run as a fold over its
 * stored events. May use {@code lang} and {@code catalogue}.
 */
package roofnest.core.pairing;
