package roofnest.app.carry;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Base64;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.atomic.AtomicReference;

import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

import roofnest.app.firm.FirmRepository;
import roofnest.app.firm.Staff;
import roofnest.app.records.HouseholdRef;
import roofnest.app.web.Form;
import roofnest.app.web.ImportRefused;
import roofnest.app.web.NoSuchPage;

/** Out and in. */
@Controller
class CarryController {
    private final CarryOut out;
    private final CarryIn in;
    private final FirmLists lists;
    private final ContactCards cards;
    private final HouseholdBooks books;
    private final FirmRepository firms;
    private final Customers customers;

    CarryController(CarryOut out, CarryIn in, FirmLists lists, ContactCards cards, HouseholdBooks books, FirmRepository firms,
            Customers customers) {
        this.customers = customers;
        this.cards = cards;
        this.books = books;
        this.firms = firms;
        this.out = out;
        this.in = in;
        this.lists = lists;
    }

    @GetMapping("/households/{household}/carry.zip")
    ResponseEntity<byte[]> carryOut(HouseholdRef ref) {
        return ResponseEntity.ok().contentType(MediaType.parseMediaType("application/zip")).header("Cache-Control", "no-store")
                .header("Content-Disposition", "attachment; filename=\"household-" + ref.id() + ".zip\"").body(out.zip(ref));
    }

    @GetMapping("/households/{household}/contacts.vcf")
    ResponseEntity<String> contacts(HouseholdRef ref) {
        return card("contacts", cards.household(books.households().get(ref.id()), books.residents().of(ref.id())));
    }

    @GetMapping("/people/firm.vcf")
    ResponseEntity<String> firmCard(@AuthenticationPrincipal Staff staff) {
        return card("firm", cards.firm(firms.details(staff.firmId())));
    }

    private static ResponseEntity<String> card(String name, String text) {
        return ResponseEntity.ok().contentType(MediaType.parseMediaType("text/vcard;charset=UTF-8")).header("Cache-Control", "no-store")
                .header("Content-Disposition", "attachment; filename=\"" + name + ".vcf\"").body(text);
    }

    @GetMapping("/carry")
    String page(Model model) {
        return page(Form.empty(), model);
    }

    @PostMapping("/carry")
    String carryIn(@AuthenticationPrincipal Staff staff, @RequestParam(required = false) MultipartFile file, Form form, Model model,
            RedirectAttributes flash) throws IOException {
        byte[] zip = file == null ? new byte[0] : file.getBytes();
        AtomicReference<CarryIn.Taken> taken = new AtomicReference<>();
        boolean saved = form.bring("file", () -> {
            if (zip.length == 0 || zip.length > CarryIn.MOST_BYTES) {
                throw new ImportRefused(List.of(zip.length == 0 ? "Choose the file first." : "The file is larger than 9 MB."));
            }
            taken.set(in.take(staff, zip));
        });
        if (!saved) {
            return page(form, model);
        }
        long passwords = taken.get().passwords();
        flash.addFlashAttribute("notice", taken.get().name() + " came in whole, without its secrets."
                + (passwords == 0 ? "" : passwords == 1 ? " The Wi-Fi's password is to be typed at Ready."
                        : " The passwords of " + passwords + " networks are to be typed at Ready."));
        return "redirect:" + taken.get().ref().path() + "/sheet";
    }

    /** What would happen: nothing is changed. */
    @PostMapping("/carry/customers")
    String tryCustomers(@AuthenticationPrincipal Staff staff, @RequestParam(required = false) MultipartFile file, Form form, Model model)
            throws IOException {
        byte[] sent = file == null ? new byte[0] : file.getBytes();
        AtomicReference<Customers.Trial> trial = new AtomicReference<>();
        if (!form.bring("customers", () -> trial.set(customers.tryOut(staff.firmId(), sent)))) {
            return page(form, model);
        }
        model.addAttribute("trial", trial.get());
        model.addAttribute("taken", trial.get().taken());
        model.addAttribute("bad", trial.get().wrong());
        model.addAttribute("sent", Base64.getEncoder().encodeToString(sent));
        return "customers";
    }

    /** @param content of the file that was tried, in Base64 */
    @PostMapping("/carry/customers/take")
    String takeCustomers(@AuthenticationPrincipal Staff staff, Form form, @RequestParam(defaultValue = "") String content, Model model,
            RedirectAttributes flash) throws IOException {
        AtomicReference<Integer> taken = new AtomicReference<>();
        if (!form.bring("customers", () -> taken.set(customers.take(staff, decoded(content))))) {
            return page(form, model);
        }
        flash.addFlashAttribute("notice", taken.get() == 0 ? "Nobody was new: all of them are there already." : taken.get() == 1
                ? "One household was taken in." : taken.get() + " households were taken in.");
        return "redirect:/";
    }

    private static byte[] decoded(String content) throws ImportRefused {
        try {
            return Base64.getDecoder().decode(content);
        } catch (IllegalArgumentException notOurs) {
            throw new ImportRefused(List.of("The file did not come along. Choose it again."));
        }
    }

    @GetMapping("/lists/{list}.csv")
    ResponseEntity<String> list(@AuthenticationPrincipal Staff staff, @PathVariable String list) {
        FirmLists.FirmList wanted = FirmLists.FirmList.of(list).orElseThrow(NoSuchPage::new);
        return ResponseEntity.ok().contentType(new MediaType("text", "csv", StandardCharsets.UTF_8)).header("Cache-Control", "no-store")
                .header("Content-Disposition", "attachment; filename=\"" + list.toLowerCase(Locale.ROOT) + ".csv\"")
                .body(lists.csv(staff.firmId(), wanted));
    }

    private static String page(Form form, Model model) {
        model.addAttribute("form", form);
        return "carry";
    }
}
