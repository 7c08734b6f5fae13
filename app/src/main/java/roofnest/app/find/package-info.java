/** Finds things of a firm by what somebody remembers of them: households, people, addresses, serials, models, promises. */
package roofnest.app.find;
