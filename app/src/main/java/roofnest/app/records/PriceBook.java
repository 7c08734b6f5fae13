package roofnest.app.records;

import java.math.BigDecimal;
import java.util.HashMap;
import java.util.Map;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

import roofnest.app.web.StaleEdit;

/** A firm's prices, currency and tax. */
@Repository
public class PriceBook {
    private final JdbcClient jdbc;

    PriceBook(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** @param version for the next change; 0 while nothing was set */
    public record Money(String currency, BigDecimal taxPercent, int version) {
        public static final Money USUAL = new Money("EUR", BigDecimal.ZERO, 0);
    }

    public Money money(long firmId) {
        return jdbc.sql("select currency, tax_percent, version from firm_money where firm_id = :firm").param("firm", firmId)
                .query((row, n) -> new Money(row.getString("currency"), row.getBigDecimal("tax_percent"), row.getInt("version"))).optional()
                .orElse(Money.USUAL);
    }

    /** Saves if nobody saved prices since the version that {@code money} carries. Prices that go with it are set after it. */
    public void setMoney(long firmId, Money money) {
        int rows = jdbc.sql("""
            insert into firm_money (firm_id, currency, tax_percent, version)
            values (:firm, :currency, :tax, 1)
            on conflict (firm_id) do update
            set currency = excluded.currency, tax_percent = excluded.tax_percent, version = firm_money.version + 1
            where firm_money.version = :version
            """)
                .param("firm", firmId)
                .param("currency", money.currency())
                .param("tax", money.taxPercent())
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
