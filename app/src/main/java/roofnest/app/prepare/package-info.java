/** What the household does before the visit, by a link of its own and without a log-in, and what the office sees of it. */
package roofnest.app.prepare;
