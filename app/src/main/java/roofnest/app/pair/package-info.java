/**
 * Stage 4: guided runs, stored event by event, on the stand-ins' bench or on real devices; and devices that go again: taken out, replaced,
 * stolen, or away while the router changes.
 */
package roofnest.app.pair;
