/**
 * What somebody of the firm asked for who may not do it: kept as it was asked, and done as asked with one tap by somebody who may.
 * Uses the floors alone.
 */
package roofnest.app.wishes;
