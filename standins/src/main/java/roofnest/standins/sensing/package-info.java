/** Sensors that are otherwise than their documents say, to walk before for practice. May use the week's sensing; knows no application. */
package roofnest.standins.sensing;
