package roofnest.app.carry;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.StringReader;
import java.time.LocalDate;
import java.util.List;

import net.fortuna.ical4j.model.Property;
import net.fortuna.ical4j.vcard.Entity;
import net.fortuna.ical4j.vcard.VCardBuilder;

import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

import roofnest.app.AppTest;
import roofnest.app.DemoPlaces;
import roofnest.app.firm.FirmDetails;
import roofnest.app.records.HouseholdRepository;
import roofnest.app.records.ResidentRepository;
import roofnest.core.access.Access;

/** Cards are read by another library than the one that writes them. */
@AppTest
class ContactCardsTest {
    @Autowired private DemoPlaces demo;
    @Autowired private HouseholdRepository households;

    private final ContactCards cards = new ContactCards();

    @Test
    void the_people_of_a_household_come_as_cards_without_those_who_left() throws Exception {
        List<ResidentRepository.Resident> people = List.of(
                new ResidentRepository.Resident(1, "Ída Müller; née Quiller", "ida@quiller.example", Access.Tie.LIVES_HERE, null, 0),
                new ResidentRepository.Resident(2, "Bram", "", Access.Tie.LIVES_HERE, null, 0),
                new ResidentRepository.Resident(3, "Gone", "gone@quiller.example", Access.Tie.LIVES_HERE, LocalDate.of(2026, 1, 1), 0));
        List<Entity> read = read(cards.household(households.get(demo.household("Quiller")), people));
        assertThat(read).hasSize(2);
        assertThat(value(read.get(0), "FN")).isEqualTo("Ída Müller; née Quiller");
        assertThat(value(read.get(0), "EMAIL")).isEqualTo("ida@quiller.example");
        assertThat(value(read.get(0), "VERSION")).isEqualTo("4.0");
        assertThat(value(read.get(0), "UID")).isEqualTo("resident-1@roofnest");
        assertThat(value(read.get(1), "FN")).isEqualTo("Bram");
        assertThat(read.get(1).getProperty("EMAIL")).isEmpty();
    }

    @Test
    void the_firm_has_a_card_of_its_own() throws Exception {
        String text = cards
                .firm(new FirmDetails("Ladderhall, Ltd", "1 Yard Lane, Weirham", "+00 1234 567", "yard@ladderhall.example", "", "", 0));
        Entity read = read(text).get(0);
        assertThat(value(read, "FN")).isEqualTo("Ladderhall, Ltd");
        assertThat(value(read, "KIND")).isEqualTo("org");
        assertThat(text).contains("ADR", "1 Yard Lane\\, Weirham", "1234 567");
    }

    private static List<Entity> read(String text) throws Exception {
        return new VCardBuilder(new StringReader(text)).build().getEntities();
    }

    private static String value(Entity card, String name) {
        // This reader leaves escaped commas and semicolons as they stand in the file.
        return card.<Property>getProperty(name).orElseThrow().getValue().replaceAll("\\\\([;,])", "$1");
    }
}
