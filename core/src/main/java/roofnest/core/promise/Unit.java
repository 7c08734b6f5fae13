package roofnest.core.promise;

import roofnest.core.lang.Numbers;

/** The units of measured values and limits, and the one place that formats them. */
public enum Unit {
    DBM("dBm", 0), PX_PER_M("px/m", 0), PERCENT("%", 0), PERCENT_FINE("%", 1), DAYS("days", 0), SECONDS("s", 1),
    METRES("m", 2), VOLTS("V", 2), DEGREES("°", 0), FAULTS("faults", 0), IN_THE_WAY("things in the way", 0), A_DAY("a day", 1),
    A_WEEK("a week", 1),
    IN_HUNDRED("in 100", 0);

    private final String symbol;
    private final int decimals;

    Unit(String symbol, int decimals) {
        this.symbol = symbol;
        this.decimals = decimals;
    }

    public String symbol() {
        return symbol;
    }

    /** Places after the decimal sign that its values are given with. */
    public int decimals() {
        return decimals;
    }

    /** The value rounded for people, with its symbol: {@code −63 dBm}, {@code 14°}, {@code 1 fault}. */
    public String format(double value) {
        String number = Numbers.fixed(value, decimals);
        if (this == DEGREES) {
            return number + symbol;
        }
        if (this == FAULTS) {
            return number.equals("1") ? "1 fault" : number + " faults";
        }
        if (this == IN_THE_WAY) {
            return number.equals("0") ? "nothing in the way" : number.equals("1") ? "1 thing in the way" : number + " " + symbol;
        }
        return number + " " + symbol;
    }
}
