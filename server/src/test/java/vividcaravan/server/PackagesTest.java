package vividcaravan.server;

import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Each package says in its package-info what it may depend on, and that is what it depends on: no more and no less. */
class PackagesTest {

    private static final Pattern SAID = Pattern.compile("May depend on ((?:[^.]|\\.(?=\\w))*)\\.");

    @ParameterizedTest
    @CsvSource({"vividcaravan.core, ../core", "vividcaravan.server, ."})
    void everyPackageSaysWhatItDependsOn(String root, Path module) throws IOException {
        JavaClasses classes = new ClassFileImporter()
                .withImportOption(new ImportOption.DoNotIncludeTests())
                .importPackages(root);
        Map<String, Set<String>> used = used(root, classes);

        Map<String, Set<String>> said = new TreeMap<>();
        for (String name : used.keySet()) {
            said.put(name, said(module, root, name));
        }

        assertThat(used).isNotEmpty().isEqualTo(said);
    }

    private static Map<String, Set<String>> used(String root, JavaClasses classes) {
        Map<String, Set<String>> used = new TreeMap<>();
        for (JavaClass one : classes) {
            String own = name(root, one);
            if (own.isEmpty()) {
                continue;
            }
            Set<String> others = used.computeIfAbsent(own, key -> new TreeSet<>());
            one.getDirectDependenciesFromSelf().forEach(dependency -> {
                JavaClass target = dependency.getTargetClass().getBaseComponentType();
                String other = name(root, target);
                if (!other.isEmpty() && !other.equals(own)) {
                    others.add(other);
                }
            });
        }
        return used;
    }

    /** The package within {@code root}; empty for what lies outside or directly in it. */
    private static String name(String root, JavaClass one) {
        String name = one.getPackageName();
        return name.startsWith(root + ".") ? name.substring(root.length() + 1) : "";
    }

    private static Set<String> said(Path module, String root, String name) throws IOException {
        Path info = module.resolve("src/main/java")
                .resolve((root + "." + name).replace('.', '/'))
                .resolve("package-info.java");
        String text = Files.readString(info).replaceAll("\\n \\* ", " ");
        Matcher matcher = SAID.matcher(text);
        if (!matcher.find()) {
            assertThat(text).as(info.toString()).contains("Depends on no other package.");
            return Set.of();
        }
        return new TreeSet<>(
                Arrays.asList(matcher.group(1).replace(" and ", ", ").split(", ")));
    }
}
