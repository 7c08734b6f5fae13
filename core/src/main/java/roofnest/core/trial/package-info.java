/**
 * What a test on site comes to: how often something is tried, what counts of it, and which figures are asked about before they are
 * believed. May use radio, promise and lang.
 */
package roofnest.core.trial;
