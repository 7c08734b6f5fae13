/** The models that a firm can put in: those that ship with the application, and its own. */
package roofnest.app.models;
