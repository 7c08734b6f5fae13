/** The day itself: a visit under way, planned against real; and the order of a day's households. */
package roofnest.app.visit;
