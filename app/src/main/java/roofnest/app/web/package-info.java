/** Plumbing that every page shares: forms, faults, problems, the ridge and the household of an address. */
package roofnest.app.web;
