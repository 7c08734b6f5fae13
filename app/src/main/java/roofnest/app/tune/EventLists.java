package roofnest.app.tune;

import java.io.IOException;
import java.io.InputStreamReader;
import java.io.Reader;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;

import org.springframework.web.multipart.MultipartFile;

import roofnest.app.records.JudgedHousehold;
import roofnest.app.web.ImportRefused;
import roofnest.core.judge.Camera;
import roofnest.core.week.EventList;

/** Reads a list of events that was sent. */
final class EventLists {
    /** Larger ones are no list of a home. */
    private static final long MOST_BYTES = 16L << 20;

    private EventLists() {}

    static EventList read(MultipartFile file, String camera, JudgedHousehold household, ZoneId zone, EventList.Order order)
            throws ImportRefused, IOException {
        if (file == null || file.isEmpty()) {
            throw new ImportRefused(List.of("Choose the list that the camera’s app gave out, as CSV."));
        }
        if (file.getSize() > MOST_BYTES) {
            throw new ImportRefused(List.of("It is larger than 16 MB: let the app give out fewer days."));
        }
        List<String> names = household.facts().cameras().stream().map(Camera::name).toList();
        try (Reader reader = new InputStreamReader(file.getInputStream(), StandardCharsets.UTF_8)) {
            EventList list = EventList.read(reader, camera, names, zone, order);
            LocalDate last = list.from().plusDays(list.days() - 1L);
            if (last.isAfter(household.facts().today())) {
                throw new ImportRefused(List.of("It has days that are not over yet, up to " + last + ": look at its clock."));
            }
            return list;
        } catch (EventList.Refused refused) {
            throw new ImportRefused(List.of(refused.getMessage()));
        }
    }
}
