/**
 * Stage 9: the log, the next charge, calls about what no longer works and what they came to, then and now, contracts, recalls, and calls to
 * practise. Uses the floors; of other stages nothing.
 */
package roofnest.app.care;
