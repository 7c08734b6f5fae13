/**
 * The one way in which a household is judged: all its facts in, a finding for every promise out. Same facts, same
 * findings, on any machine. May use every other part but {@code spots}, which alone uses this one.
 */
package roofnest.core.judge;
