/**
 * What several stages read and write of a household: its rows, the firm's prices among them, each table written by one class,
 * and how it stands by them. {@link roofnest.app.records.Changes} is the one way in which a household is changed. May use {@code web},
 * {@code firm}, {@code secrets} and {@code models}; the stages use it and hardly each other.
 */
package roofnest.app.records;
