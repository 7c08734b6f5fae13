package roofnest.app.licences;

import java.io.IOException;
import java.io.InputStreamReader;
import java.io.Reader;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.ArrayList;

import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVRecord;
import org.springframework.core.io.ClassPathResource;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;

import roofnest.app.web.NoSuchPage;

/** The parts of others, by licence, and the text of each. */
@Controller
class LicencesController {
    @GetMapping("/licences")
    String licences(Model model) throws IOException {
        SortedMap<String, List<String>> parts = new TreeMap<>();
        try (Reader csv = new InputStreamReader(new ClassPathResource("licences/parts.csv").getInputStream(), StandardCharsets.UTF_8)) {
            for (CSVRecord row : CSVFormat.DEFAULT.builder().setHeader().setSkipHeaderRecord(true).get().parse(csv)) {
                for (String licence : row.get("licence").split(" AND ")) {
                    parts.computeIfAbsent(licence, none -> new ArrayList<>()).add(row.get("part"));
                }
            }
        }
        model.addAttribute("parts", parts);
        return "licences";
    }

    @GetMapping("/licences/{licence}")
    String text(@PathVariable String licence, Model model) throws IOException {
        ClassPathResource text = new ClassPathResource("licences/texts/" + licence + ".txt");
        if (!licence.matches("[A-Za-z0-9.-]{1,40}") || !text.exists()) {
            throw new NoSuchPage();
        }
        model.addAttribute("licence", licence);
        model.addAttribute("text", text.getContentAsString(StandardCharsets.UTF_8));
        return "licence";
    }
}
