/** The demo world: made-up firms and households at every stage, made by the same code as real ones. */
package roofnest.app.demo;
