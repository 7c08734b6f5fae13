/** Documents that leave the application: the hand-over pack and the sealed sheet, as tagged PDF. */
package roofnest.app.documents;
