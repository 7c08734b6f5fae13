/** Households: the front page, their facts gathered for judging, and the one way in which they are changed. */
package roofnest.app.household;
