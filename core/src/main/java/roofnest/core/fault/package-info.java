/**
 * What ails a camera that worked: causes, questions, what each answer says, and what to ask or try next. Knows no household and no screen;
 * may use {@code lang}.
 */
package roofnest.core.fault;
