/**
 * The guided run: steps as data, what is expected to be seen, what each answer leads to, and the run as a fold over its
 * stored events; which way to try first; and in which state a device is by what is seen. May use {@code lang} and {@code catalogue}.
 */
package roofnest.core.pairing;
