/** Firms, the people who work for them, signing in and what each role may do. */
package roofnest.app.firm;
