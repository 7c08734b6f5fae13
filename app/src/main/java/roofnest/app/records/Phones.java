package roofnest.app.records;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.HashMap;
import java.util.Map;

/** Whose phones did what they were to do in a test, and whose did not: two columns, {@code phones_did} and {@code phones_did_not}. */
public final class Phones {
    private Phones() {}

    public static Map<Long, Boolean> read(ResultSet row) throws SQLException {
        Map<Long, Boolean> phones = new HashMap<>();
        for (Long did : (Long[]) row.getArray("phones_did").getArray()) {
            phones.put(did, true);
        }
        for (Long didNot : (Long[]) row.getArray("phones_did_not").getArray()) {
            phones.put(didNot, false);
        }
        return phones;
    }

    /** Those that did, or those that did not, as a column takes them. */
    public static Long[] that(Map<Long, Boolean> phones, boolean did) {
        return phones.entrySet().stream().filter(phone -> phone.getValue() == did).map(Map.Entry::getKey).sorted().toArray(Long[]::new);
    }
}
