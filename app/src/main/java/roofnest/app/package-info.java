/** The application: pages, documents, persistence and security round the rules in {@code roofnest.core}. */
package roofnest.app;
