package roofnest.app.records;

import java.math.BigDecimal;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

import roofnest.app.web.StaleEdit;

/** A firm's prices, currency and tax. */
@Repository
public class PriceBook {
    /** Keys of what keeping footage costs, beside {@code card N} and {@code recorder N}: a kilowatt-hour, and a visit for a card. */
    public static final String KWH = "kwh";
    public static final String VISIT = "visit";
    /** Sizes of cards and of a recorder's disk that have prices, GB. */
    public static final List<Integer> CARD_GB = List.of(32, 64, 128, 256, 512);
    public static final List<Integer> RECORDER_GB = List.of(1000, 2000, 4000, 8000);

    private final JdbcClient jdbc;

    PriceBook(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /**
     * @param validDays for which a quotation holds
     * @param payDays within which a bill is to be paid
     * @param terms printed under both
     * @param version for the next change; 0 while nothing was set
     */
    public record Money(String currency, BigDecimal taxPercent, int validDays, int payDays, String terms, int version) {
        public static final Money USUAL = new Money("EUR", BigDecimal.ZERO, 30, 14, "", 0);
    }

    public Money money(long firmId) {
        return jdbc.sql("select * from firm_money where firm_id = :firm").param("firm", firmId)
                .query((row, n) -> new Money(row.getString("currency"), row.getBigDecimal("tax_percent"), row.getInt("valid_days"),
                        row.getInt("pay_days"), row.getString("terms"), row.getInt("version")))
                .optional()
                .orElse(Money.USUAL);
    }

    /** Saves if nobody saved prices since the version that {@code money} carries. Prices that go with it are set after it. */
    public void setMoney(long firmId, Money money) {
        int rows = jdbc.sql("""
            insert into firm_money (firm_id, currency, tax_percent, valid_days, pay_days, terms, version)
            values (:firm, :currency, :tax, :valid, :pay, :terms, 1)
            on conflict (firm_id) do update
            set currency = excluded.currency, tax_percent = excluded.tax_percent, valid_days = excluded.valid_days,
              pay_days = excluded.pay_days, terms = excluded.terms, version = firm_money.version + 1
            where firm_money.version = :version
            """)
                .param("firm", firmId)
                .param("currency", money.currency())
                .param("tax", money.taxPercent())
                .param("valid", money.validDays())
                .param("pay", money.payDays())
                .param("terms", money.terms())
                .param("version", money.version())
                .update();
        if (rows != 1) {
            throw new StaleEdit("The price book", money.version(), money(firmId).version());
        }
    }

    /** In hundredths, by the key of a kit line. */
    public Map<String, Long> prices(long firmId) {
        Map<String, Long> prices = new HashMap<>();
        jdbc.sql("select item_key, cents from price where firm_id = :firm").param("firm", firmId)
                .query(row -> {
                    prices.put(row.getString("item_key"), row.getLong("cents"));
                });
        return prices;
    }

    /** Takes a price out: the line is unpriced again, and says so. */
    public void clear(long firmId, String key) {
        jdbc.sql("delete from price where firm_id = :firm and item_key = :key").param("firm", firmId).param("key", key).update();
    }

    public void set(long firmId, String key, long cents) {
        jdbc.sql("""
            insert into price (firm_id, item_key, cents)
            values (:firm, :key, :cents)
            on conflict (firm_id, item_key) do update set cents = excluded.cents
            """)
                .param("firm", firmId)
                .param("key", key)
                .param("cents", cents)
                .update();
    }
}
