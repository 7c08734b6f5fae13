/** Every figure that pages rest on, on one page; those that are practice are changed here, and every house is judged by them at once. */
package roofnest.app.practice;
