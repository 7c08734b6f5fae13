/**
 * What a job costs the household: the firm's prices, what is agreed for one job, quotations with their answers, and bills. What was
 * issued is kept as it was. May use the kit and the hours of {@code ready}.
 */
package roofnest.app.price;
