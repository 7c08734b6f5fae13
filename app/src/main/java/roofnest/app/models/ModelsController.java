package roofnest.app.models;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.atomic.AtomicReference;

import org.springframework.core.io.ClassPathResource;
import org.springframework.core.io.Resource;
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

import roofnest.app.firm.Needs;
import roofnest.app.firm.Role;
import roofnest.app.web.Says;
import roofnest.app.firm.Staff;
import roofnest.app.web.BadInput;
import roofnest.app.web.Form;
import roofnest.app.web.NoSuchPage;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.document.DocumentFault;
import roofnest.core.document.DocumentRefused;

/** The firm's catalogue. A refused document comes back as it was typed, with every fault and where it is. */
@Controller
class ModelsController {
    private final Models models;

    ModelsController(Models models) {
        this.models = models;
    }

    /** @param from a model to start from */
    @GetMapping("/models")
    String show(@AuthenticationPrincipal Staff staff, @RequestParam(defaultValue = "") String from, Model model) {
        return page(staff, model, models.find(staff.firmId(), from).map(models::document).orElse(""), List.of());
    }

    @PostMapping("/models")
    @Needs(Role.Permission.MODELS)
    @Says("The model is kept and can be put on plans.")
    String add(
            @AuthenticationPrincipal Staff staff, @RequestParam(defaultValue = "") String document,
            @RequestParam(required = false) MultipartFile file, Form form, Model model, RedirectAttributes flash) throws IOException {
        String text = file != null && !file.isEmpty() ? new String(file.getBytes(), StandardCharsets.UTF_8) : document;
        AtomicReference<DeviceModel> added = new AtomicReference<>();
        List<DocumentFault> faults = new ArrayList<>();
        boolean saved = form.save(() -> {
            try {
                added.set(models.add(staff.firmId(), text, staff.name()));
            } catch (DocumentRefused refused) {
                faults.addAll(refused.faults());
            } catch (BadInput refused) {
                faults.add(new DocumentFault("", refused.getMessage()));
            }
            faults.forEach(fault -> form.fault("document", fault.toString()));
        });
        if (!saved) {
            return page(staff, model, text, faults);
        }
        flash.addFlashAttribute("notice", added.get().fullName() + " can be put on plans now.");
        return "redirect:/models";
    }

    /** One model, all of it. */
    @GetMapping("/models/{key}")
    String one(@AuthenticationPrincipal Staff staff, @PathVariable String key, Model model) {
        DeviceModel found = models.find(staff.firmId(), key).orElseThrow(NoSuchPage::new);
        model.addAttribute("m", found);
        model.addAttribute("sheet", ModelSheet.of(found, models.hubOf(found)));
        return "model";
    }

    /** @param from a model to start from */
    @GetMapping("/models/form")
    @Needs(Role.Permission.MODELS)
    String form(@AuthenticationPrincipal Staff staff, @RequestParam(defaultValue = "") String from, Model model) {
        Map<String, String> values = new LinkedHashMap<>(
                models.find(staff.firmId(), from).map(found -> ModelForm.values(models.document(found))).orElse(Map.of()));
        return formPage(model, new Form(values), List.of());
    }

    @PostMapping("/models/form")
    @Needs(Role.Permission.MODELS)
    String addByForm(@AuthenticationPrincipal Staff staff, Form form, Model model, RedirectAttributes flash) {
        AtomicReference<DeviceModel> added = new AtomicReference<>();
        List<DocumentFault> left = new ArrayList<>();
        boolean saved = form.save("/key", () -> {
            try {
                added.set(models.add(staff.firmId(), ModelForm.document(form), staff.name()));
            } catch (DocumentRefused refused) {
                left.addAll(ModelForm.place(form, refused.faults()));
                left.forEach(fault -> form.fault("", fault.toString()));
            }
        });
        if (!saved) {
            return formPage(model, form, left);
        }
        flash.addFlashAttribute("notice", added.get().fullName() + " can be put on plans now.");
        return "redirect:/models";
    }

    private static String formPage(Model model, Form form, List<DocumentFault> faults) {
        model.addAttribute("form", form);
        model.addAttribute("faults", faults);
        model.addAttribute("groups", ModelForm.groups());
        model.addAttribute("lists", new ModelForm.Lists());
        return "model-form";
    }

    @PostMapping("/models/{key}/remove")
    @Needs(Role.Permission.MODELS)
    @Says("The model is taken out.")
    String remove(@AuthenticationPrincipal Staff staff, @PathVariable String key) {
        models.remove(staff.firmId(), key);
        return "redirect:/models";
    }

    @GetMapping("/models/{key}/document")
    ResponseEntity<String> document(@AuthenticationPrincipal Staff staff, @PathVariable String key) {
        DeviceModel model = models.find(staff.firmId(), key).orElseThrow(NoSuchPage::new);
        return ResponseEntity.ok().contentType(MediaType.APPLICATION_JSON)
                .header("Content-Disposition", "attachment; filename=\"" + key + ".json\"").body(models.document(model));
    }

    @GetMapping("/models/schema")
    ResponseEntity<Resource> schema() {
        return ResponseEntity.ok().contentType(MediaType.APPLICATION_JSON).body(new ClassPathResource("roofnest/device.schema.json"));
    }

    private String page(Staff staff, Model model, String document, List<DocumentFault> faults) {
        model.addAttribute("models", models.of(staff.firmId()));
        model.addAttribute("own", models.own(staff.firmId()));
        model.addAttribute("document", document.length() > 100_000 ? "" : document);
        model.addAttribute("faults", faults);
        return "models";
    }
}
