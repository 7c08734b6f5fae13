package roofnest.app.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.Reader;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Properties;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** The message files: every key in every language, with the same things put in, and none that nobody reads. */
class HouseholdWordsTest {
    private static final Path MESSAGES = Path.of("src/main/resources/messages");
    private static final Path TEMPLATES = Path.of("src/main/resources/templates");
    private static final Path SOURCES = Path.of("src/main/java");
    private static final Pattern PLACEHOLDER = Pattern.compile("\\{[0-9]}");
    private static final Pattern USED = Pattern.compile("#\\{([a-zA-Z0-9.-]+)");

    private static Map<String, String> of(Language language) {
        Path file = MESSAGES.resolve("household" + (language == Language.ENGLISH ? "" : "_" + language.code()) + ".properties");
        Properties properties = new Properties();
        try (Reader reader = Files.newBufferedReader(file)) {
            properties.load(reader);
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
        Map<String, String> words = new TreeMap<>();
        properties.forEach((key, value) -> words.put((String) key, (String) value));
        return words;
    }

    @ParameterizedTest
    @EnumSource(Language.class)
    void every_language_says_everything_with_the_same_things_put_in(Language language) {
        Map<String, String> english = of(Language.ENGLISH);
        Map<String, String> words = of(language);
        assertThat(words.keySet()).isEqualTo(english.keySet());
        words.forEach((key, said) -> {
            assertThat(said).as(key).isNotBlank().doesNotContain("'");
            assertThat(placeholders(said)).as(key).isEqualTo(placeholders(english.get(key)));
        });
        if (language != Language.ENGLISH) {
            List<String> untranslated = words.entrySet().stream().filter(entry -> entry.getValue().equals(english.get(entry.getKey()))
                    && entry.getValue().split(" ").length > 2 && entry.getValue().matches(".*[a-z]{3,} [a-z]{3,}.*")).map(Map.Entry::getKey)
                    .toList();
            assertThat(untranslated).isEmpty();
        }
    }

    private static Set<String> placeholders(String said) {
        Set<String> placeholders = new TreeSet<>();
        Matcher matcher = PLACEHOLDER.matcher(said);
        while (matcher.find()) {
            placeholders.add(matcher.group());
        }
        return placeholders;
    }

    @Test
    void every_word_that_a_page_asks_for_is_there_and_none_is_there_for_nobody() throws IOException {
        Set<String> keys = of(Language.ENGLISH).keySet();
        Set<String> asked = new HashSet<>();
        String all = text(TEMPLATES, ".html") + text(SOURCES, ".java");
        Matcher matcher = USED.matcher(all);
        while (matcher.find()) {
            asked.add(matcher.group(1));
        }
        assertThat(keys).containsAll(asked);
        List<String> unread = keys.stream().filter(key -> !asked.contains(key) && !read(key, all)).toList();
        assertThat(unread).isEmpty();
    }

    /** By its whole name, by what stands after the first dot, or put together from a beginning and a name of the trade. */
    private static boolean read(String key, String all) {
        String tail = key.substring(key.indexOf('.') + 1);
        List<String> beginnings = new ArrayList<>();
        for (String whole : List.of(key, tail)) {
            for (int dot = whole.indexOf('.'); dot > 0; dot = whole.indexOf('.', dot + 1)) {
                beginnings.add("\"" + whole.substring(0, dot + 1) + "\"");
                beginnings.add("'" + whole.substring(0, dot + 1) + "'");
            }
        }
        return all.contains("\"" + key + "\"") || all.contains("\"" + tail + "\"") || beginnings.stream().anyMatch(all::contains);
    }

    private static String text(Path root, String ending) throws IOException {
        StringBuilder text = new StringBuilder();
        try (Stream<Path> files = Files.walk(root)) {
            for (Path file : files.filter(each -> each.toString().endsWith(ending)).toList()) {
                text.append(Files.readString(file));
            }
        }
        return text.toString();
    }

    @Test
    void figures_and_days_have_the_languages_own_form() {
        assertThat(Arrays.stream(Language.values()).map(language -> language.number(-1234.5, 1)).toList())
                .containsExactly("\u22121234.5", "\u22121234,5", "\u22121234,5", "\u22121234,5", "\u22121234,5");
        LocalDate day = LocalDate.of(2027, 2, 4);
        assertThat(Arrays.stream(Language.values()).map(language -> language.day(day)).toList()).containsExactly("4 February 2027",
                "4. Februar 2027", "4 f\u00e9vrier 2027", "4 de febrero de 2027", "4 lutego 2027");
        assertThat(Language.of("de")).contains(Language.GERMAN);
        assertThat(Language.of("tlh")).isEmpty();
    }
}
