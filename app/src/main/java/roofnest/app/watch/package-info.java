/** What the firm can see of its own machine: figures, one log line for each thing that went otherwise, what is purged. A leaf. */
package roofnest.app.watch;
