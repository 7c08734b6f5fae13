package roofnest.core.week;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.StringReader;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;

import org.junit.jupiter.api.Test;

import roofnest.core.catalogue.AlertSpec.Kind;
import roofnest.core.week.EventList.Order;

/** Lists of events as apps give them out. */
class EventListTest {
    private static final ZoneId HERE = ZoneId.of("Europe/London");
    private static final List<String> CAMERAS = List.of("Road eye", "Garden eye");

    private static EventList read(String csv, Order order) throws EventList.Refused {
        return EventList.read(new StringReader(csv), "Road eye", CAMERAS, HERE, order);
    }

    private static EventList read(String csv) throws EventList.Refused {
        return read(csv, Order.AS_IT_SAYS);
    }

    @Test
    void columns_are_found_by_what_stands_in_them_and_only_whole_days_count() throws EventList.Refused {
        EventList list = read("""
            Thing,When it was,Kind
            Road eye,2026-11-02 18:00:00,person
            Road eye,2026-11-03 07:00:00,vehicle
            Garden eye,2026-11-03 08:00:00,vehicle
            road EYE,2026-11-03 09:30:00,vehicle
            Road eye,2026-11-05 23:59:59,vehicle
            Road eye,2026-11-06 00:01:00,person
            """);
        assertThat(list.from()).isEqualTo(LocalDate.of(2026, 11, 3));
        assertThat(list.days()).as("the third, the empty fourth and the fifth").isEqualTo(3);
        assertThat(list.clips()).isEqualTo(3);
        assertThat(list.others()).isEqualTo(1);
        assertThat(list.unread()).as("the heading is no event").isZero();
        assertThat(list.kinds()).as("of its own whole days").isEqualTo(Map.of(Kind.VEHICLE, 3));
    }

    @Test
    void kinds_are_read_where_nearly_every_row_says_one() throws EventList.Refused {
        String days = "2026-11-02 18:00,%s\n2026-11-03 07:00,%s\n2026-11-03 08:00,%s\n2026-11-05 01:00,%s\n";
        assertThat(read(String.format(days, "Person detected", "DOG", "motion", "car")).kinds()).isEqualTo(Map.of(Kind.PET, 1, Kind.ANY,
                1));
        assertThat(read(String.format(days, "front", "back", "person", "garden")).kinds()).as("a column of places").isEmpty();
        assertThat(read(String.format(days, "12", "7", "9", "11")).kinds()).isEmpty();
    }

    @Test
    void many_forms_of_time_are_read() throws EventList.Refused {
        for (String three : List.of("2026-11-02T10:00;2026-11-03T10:00;2026-11-04T10:00", "1793613600;1793700000;1793786400",
                "1793613600000;1793700000000;1793786400000", "02.11.2026 10:00;03.11.2026 10:00;04.11.2026 10:00",
                "20/11/2026, 10:00;21/11/2026, 10:00;22/11/2026, 10:00", "11/20/2026 10:00 pm;11/21/2026 1:00 PM;11/22/2026 1:00 am")) {
            EventList list = read(three.replace(';', '\n').replace(",", " ").replace("  ", " "));
            assertThat(list.days()).as(three).isEqualTo(1);
            assertThat(list.clips()).as(three).isEqualTo(1);
        }
        EventList semicolons = read("kind;time\na;2026-11-02 10:00\nb;2026-11-03 10:00\nc;2026-11-04 10:00\n");
        assertThat(semicolons.clips()).isEqualTo(1);
    }

    @Test
    void day_and_month_are_asked_for_where_they_cannot_be_told_apart() throws EventList.Refused {
        String both = "1/2/2026 10:00\n2/2/2026 10:00\n3/2/2026 10:00\n4/2/2026 11:00\n";
        assertThatThrownBy(() -> read(both)).isInstanceOf(EventList.Refused.class).hasMessageContaining("which comes first");
        assertThat(read(both, Order.DAY_FIRST).from()).isEqualTo(LocalDate.of(2026, 2, 2));
        assertThat(read(both, Order.MONTH_FIRST).from()).isEqualTo(LocalDate.of(2026, 1, 3));
        assertThat(read("1/12/2026 10:00\n2/12/2026 10:00\n13/12/2026 10:00\n").from()).as("a thirteenth month is none")
                .isEqualTo(LocalDate.of(2026, 12, 2));
    }

    /** The clocks went back on 25 October 2026 at two: 24:30 summer time in UTC is still the day before. */
    @Test
    void times_with_their_distance_from_utc_are_of_the_houses_own_day() throws EventList.Refused {
        EventList list = read("2026-10-23T10:00:00Z\n2026-10-24T23:30:00Z\n2026-10-25T23:30:00Z\n2026-10-26T10:00:00+00:00\n");
        assertThat(list.from()).isEqualTo(LocalDate.of(2026, 10, 24));
        assertThat(list.days()).isEqualTo(2);
        assertThat(list.clips()).as("both of them on the 25th, one just after midnight in summer time").isEqualTo(2);
    }

    @Test
    void what_cannot_be_counted_is_refused_in_words() {
        assertThatThrownBy(() -> read("")).hasMessageContaining("empty");
        assertThatThrownBy(() -> read("a,b\n1,2\n3,4\n")).hasMessageContaining("No column of it holds times");
        assertThatThrownBy(() -> read("2026-11-02 10:00\n2026-11-03 10:00\n")).hasMessageContaining("no whole day");
        assertThatThrownBy(() -> read("2026-02-30 10:00\n2026-02-31 10:00\n2026-02-32 10:00\n")).hasMessageContaining("No column");
        assertThatThrownBy(() -> read("2026-11-02 10:00\n".repeat(EventList.MOST_ROWS + 1))).hasMessageContaining("more than 200000 rows");
        assertThatThrownBy(() -> read("time\n\"2026-11-02")).isInstanceOf(EventList.Refused.class);
    }

    @Test
    void of_a_long_list_the_latest_days_count_and_rows_that_cannot_be_read_are_told() throws EventList.Refused {
        StringBuilder long_ = new StringBuilder("when\n");
        for (int day = 0; day < 200; day++) {
            long_.append(LocalDate.of(2026, 1, 1).plusDays(day)).append(" 10:00\n");
        }
        EventList list = read(long_.append("never\n").toString());
        assertThat(list.days()).isEqualTo(EventList.MOST_DAYS);
        assertThat(list.clips()).isEqualTo(EventList.MOST_DAYS);
        assertThat(list.unread()).isEqualTo(1);
        assertThat(list.from().plusDays(list.days())).isEqualTo(LocalDate.of(2026, 1, 1).plusDays(199));
    }
}
