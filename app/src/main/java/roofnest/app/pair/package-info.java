/** Stage 4: guided runs, stored event by event, on the stand-ins' bench or on real devices. */
package roofnest.app.pair;
