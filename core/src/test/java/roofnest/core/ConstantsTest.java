package roofnest.core;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.lang.reflect.Field;
import java.lang.reflect.Modifier;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

import org.junit.jupiter.api.Test;

import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;

/** {@code docs/constants.md} lists every number that the core reckons with, as it stands in the code: none missing, none left over. */
class ConstantsTest {
    private static final Pattern ROW = Pattern.compile("^\\| `([\\w.]+)` \\| `(\\w+)` \\| ([^|]+) \\| \\S.*\\|$");

    @Test
    void every_constant_of_the_core_stands_in_the_docs_with_its_value() throws IOException {
        assertThat(written()).containsExactlyInAnyOrderElementsOf(inCode());
    }

    private static Set<String> inCode() {
        Set<String> found = new TreeSet<>();
        for (JavaClass type : new ClassFileImporter().withImportOption(new ImportOption.DoNotIncludeTests())
                .importPackages("roofnest.core")) {
            Arrays.stream(type.reflect().getDeclaredFields()).filter(ConstantsTest::isNumber)
                    .forEach(field -> found.add(name(field) + " = " + value(field)));
        }
        return found;
    }

    private static boolean isNumber(Field field) {
        return Modifier.isStatic(field.getModifiers()) && Modifier.isFinal(field.getModifiers()) && field.getType().isPrimitive()
                && field.getType() != boolean.class && field.getType() != char.class && !field.isSynthetic()
                && !field.getName().equals("serialVersionUID");
    }

    private static String name(Field field) {
        return field.getDeclaringClass().getName().replace("roofnest.core.", "").replace('$', '.') + " " + field.getName();
    }

    private static double value(Field field) {
        try {
            field.setAccessible(true);
            return ((Number) field.get(null)).doubleValue();
        } catch (IllegalAccessException e) {
            throw new AssertionError(e);
        }
    }

    private static Set<String> written() throws IOException {
        Set<String> found = new TreeSet<>();
        for (String line : Files.readAllLines(Path.of("../docs/constants.md"))) {
            Matcher row = ROW.matcher(line);
            if (row.matches()) {
                found.add(row.group(1) + " " + row.group(2) + " = " + Double.parseDouble(row.group(3).strip()));
            }
        }
        return found;
    }
}
