/**
 * Households carried out and in: one document with its pictures, everything but secrets; and the firm's lists as tables. What
 * the firm itself did and learned (runs, visits, mails) stays with it.
 */
package roofnest.app.carry;
