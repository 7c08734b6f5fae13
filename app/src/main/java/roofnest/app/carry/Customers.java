package roofnest.app.carry;

import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import org.apache.commons.csv.DuplicateHeaderMode;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

import ezvcard.Ezvcard;
import ezvcard.VCard;
import ezvcard.property.Address;
import ezvcard.property.StructuredName;

import roofnest.app.firm.Staff;
import roofnest.app.records.Changes;
import roofnest.app.records.Household;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.HouseholdRepository;
import roofnest.app.records.ResidentRepository;
import roofnest.app.web.ImportRefused;
import roofnest.core.access.Access;
import roofnest.core.lang.Text;
import roofnest.core.promise.Stage;

/** Takes customers in from a table or an address book: tried first, so that everybody sees what would happen, and then all or none. */
@Service
public class Customers {
    static final int MOST_BYTES = 1_000_000;
    static final int MOST = 1000;
    private static final int LONGEST_NAME = 80;
    private static final int LONGEST_ADDRESS = 120;
    private static final int LONGEST_PHONE = 40;
    private static final int LONGEST_EMAIL = 254;
    private static final Map<String, List<String>> COLUMNS = Map.of("name", List.of("name", "household", "family", "customer"), "address",
            List
                    .of("address", "street"),
            "phone", List.of("phone", "telephone", "tel"), "email", List.of("email", "e-mail", "mail"), "person",
            List.of("person", "contact", "who"));

    private final HouseholdRepository households;
    private final ResidentRepository residents;
    private final Changes changes;
    private final JdbcClient jdbc;

    Customers(HouseholdRepository households, ResidentRepository residents, Changes changes, JdbcClient jdbc) {
        this.households = households;
        this.residents = residents;
        this.changes = changes;
        this.jdbc = jdbc;
    }

    /** What becomes of a line. */
    enum Outcome {
        TAKE, THERE, TWICE, WRONG
    }

    /** @param line number in the file, from 1. @param person empty for nobody by name */
    record Customer(int line, String name, String address, String phone, String person, String email) {}

    /** @param why where it is not taken */
    record Tried(Customer customer, Outcome outcome, String why) {}

    /** What would happen with all lines of a file. */
    record Trial(List<Tried> lines) {
        long taken() {
            return count(Outcome.TAKE);
        }

        long wrong() {
            return count(Outcome.WRONG);
        }

        private long count(Outcome outcome) {
            return lines.stream().filter(each -> each.outcome() == outcome).count();
        }
    }

    /** @throws ImportRefused when it is no such file */
    Trial tryOut(long firmId, byte[] file) throws ImportRefused {
        List<Customer> read = read(file);
        Set<String> seen = new HashSet<>();
        List<Tried> tried = new ArrayList<>();
        for (Customer each : read) {
            Optional<String> fault = fault(each);
            boolean twice = !seen.add(each.address().toLowerCase(Locale.ROOT));
            tried.add(fault.map(why -> new Tried(each, Outcome.WRONG, why)).orElseGet(() -> twice ? new Tried(each, Outcome.TWICE,
                    "stands in this file before")
                    : households.at(firmId, each.address()).isEmpty() ? new Tried(each, Outcome.TAKE, "")
                            : new Tried(each, Outcome.THERE, "a household at this address is there already")));
        }
        return new Trial(tried);
    }

    /** Takes all in that can be, or none where a line is wrong. @return how many */
    @Transactional(rollbackFor = ImportRefused.class)
    public int take(Staff staff, byte[] file) throws ImportRefused {
        // One at a time, so that two who take the same file do not make each household twice.
        jdbc.sql("select id from firm where id = :id for update").param("id", staff.firmId()).query(Long.class).single();
        Trial trial = tryOut(staff.firmId(), file);
        if (trial.wrong() > 0) {
            throw new ImportRefused(trial.lines().stream().filter(each -> each.outcome() == Outcome.WRONG).limit(20).map(each -> "Line "
                    + each.customer().line() + ": " + each.why()).toList());
        }
        trial.lines().stream().filter(each -> each.outcome() == Outcome.TAKE).map(Tried::customer).forEach(each -> {
            long id = households.carryIn(staff.firmId(),
                    new Household(0, 0, each.name(), each.address(), each.phone(), Stage.BRIEF, null, null,
                            "", null, null, null, 0, 0, 0));
            changes.run(new HouseholdRef(id, staff), Stage.BRIEF, () -> {
                if (!each.person().isEmpty()) {
                    residents.add(id, each.person(), each.email(), Access.Tie.LIVES_HERE, null);
                }
            });
        });
        return (int) trial.taken();
    }

    private static Optional<String> fault(Customer of) {
        String all = of.name() + of.address() + of.phone() + of.person() + of.email();
        return Stream
                .of(of.name().isEmpty() ? "it has no name" : "", of.address().isEmpty() ? "it has no address" : "",
                        of.name().length() > LONGEST_NAME || of.person().length() > LONGEST_NAME
                                ? "a name is longer than " + LONGEST_NAME + " letters" : "",
                        of.address()
                                .length() > LONGEST_ADDRESS ? "the address is longer than " + LONGEST_ADDRESS + " letters" : "",
                        of.phone().length() > LONGEST_PHONE ? "the phone number is longer than " + LONGEST_PHONE + " signs" : "",
                        !of.email().isEmpty()
                                && (of.email().length() > LONGEST_EMAIL || !of.email().matches("[^@\\s]+@[^@\\s]+"))
                                        ? "“" + of.email()
                                                + "” is no e-mail address"
                                        : "",
                        Text.hasControls(all)
                                ? "it has signs that cannot be shown" : "")
                .filter(why -> !why.isEmpty()).findFirst();
    }

    private static List<Customer> read(byte[] file) throws ImportRefused {
        if (file.length == 0 || file.length > MOST_BYTES) {
            throw new ImportRefused(List.of(file.length == 0 ? "Choose the file first." : "The file is larger than 1 MB."));
        }
        String text;
        try {
            text = StandardCharsets.UTF_8.newDecoder().decode(ByteBuffer.wrap(file)).toString().replaceFirst("^\uFEFF", "");
        } catch (CharacterCodingException notText) {
            throw new ImportRefused(List.of("It is no text in UTF-8. Save the table as CSV in UTF-8."));
        }
        List<Customer> read = text.stripLeading().toUpperCase(Locale.ROOT).startsWith("BEGIN:VCARD") ? cards(text) : table(text);
        if (read.isEmpty() || read.size() > MOST) {
            throw new ImportRefused(List.of(read.isEmpty() ? "Nobody is in it." : "It has more than " + MOST + " households; take it in in "
                    + "parts."));
        }
        return read;
    }

    private static List<Customer> cards(String text) {
        List<Customer> read = new ArrayList<>();
        for (VCard card : Ezvcard.parse(text).all()) {
            String full = card.getFormattedName() == null ? "" : plain(card.getFormattedName().getValue());
            StructuredName name = card.getStructuredName();
            String family = name == null || name.getFamily() == null ? full.substring(full.lastIndexOf(' ') + 1) : plain(name.getFamily());
            Address address = card.getAddresses().stream().findFirst().orElse(null);
            String place
                    = address == null ? "" : Stream.of(address.getStreetAddressFull(), address.getLocality()).filter(part -> part != null
                            && !part.isBlank()).map(Customers::plain).reduce((street, town) -> street + ", " + town).orElse("");
            read.add(new Customer(read.size() + 1, family, place,
                    card.getTelephoneNumbers().stream().findFirst().map(
                            tel -> plain(tel.getText() == null ? String.valueOf(tel.getUri()).replaceFirst("^[^:]*:", "") : tel.getText()))
                            .orElse(""),
                    full, card.getEmails()
                            .stream().findFirst().map(mail -> plain(mail.getValue())).orElse("")));
        }
        return read;
    }

    private static List<Customer> table(String text) throws ImportRefused {
        String head = text.lines().findFirst().orElse("");
        char by = Stream.of(',', ';', '\t')
                .max((a, b) -> Long.compare(head.chars().filter(c -> c == a).count(), head.chars().filter(c -> c == b).count()))
                .orElseThrow();
        List<Customer> read = new ArrayList<>();
        try (CSVParser parser = CSVFormat.RFC4180.builder().setDuplicateHeaderMode(DuplicateHeaderMode.DISALLOW).setDelimiter(by)
                .setHeader().setSkipHeaderRecord(true).setIgnoreHeaderCase(true)
                .setTrim(true).setIgnoreEmptyLines(true).setAllowMissingColumnNames(true).get().parse(new StringReader(text))) {
            Set<String> names = new HashSet<>(parser.getHeaderNames().stream().map(each -> each.toLowerCase(Locale.ROOT).strip()).toList());
            for (String needed : List.of("name", "address")) {
                if (COLUMNS.get(needed).stream().noneMatch(names::contains)) {
                    throw new ImportRefused(List.of("The first line has to name the columns: name and address, and phone, person and email "
                            + "where there are some."));
                }
            }
            for (CSVRecord row : parser) {
                if (read.size() > MOST) {
                    break;
                }
                read.add(new Customer((int) parser.getCurrentLineNumber(), of(row, names, "name"), of(row, names, "address"), of(row, names,
                        "phone"), of(row, names, "person"), of(row, names, "email")));
            }
        } catch (IOException | UncheckedIOException | IllegalArgumentException | IllegalStateException notATable) {
            throw new ImportRefused(List.of("It is no table of comma-separated values: " + notATable.getMessage()));
        }
        return read;
    }

    private static String of(CSVRecord row, Set<String> names, String column) {
        return COLUMNS.get(column).stream().filter(names::contains).filter(row::isSet).map(row::get).map(Customers::plain).findFirst()
                .orElse(
                        "");
    }

    private static String plain(String text) {
        return text == null ? "" : text.replaceAll("\\s+", " ").strip();
    }
}
