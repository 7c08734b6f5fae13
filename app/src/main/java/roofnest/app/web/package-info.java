/** Plumbing that every page shares: forms, faults, problems, the ridge. A leaf: it knows nobody else of the application. */
package roofnest.app.web;
