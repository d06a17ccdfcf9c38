package prolalia.formats.web;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.MatchResult;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import prolalia.formats.lesson.Shipped;

/**
 * The player's modules as one script: a page that is opened from a disk may load no modules (HTML, 8.1.3: their origin is
 * opaque). Each module becomes a function that answers what it exports. Takes only what our own modules use: imports by name
 * of modules beside them, and exports of functions, classes and constants.
 */
final class OneScript {
    private static final Pattern IMPORT =
            Pattern.compile("^import \\{ ([\\w, ]+) \\} from '([^']+)';$", Pattern.MULTILINE);
    private static final Pattern EXPORT =
            Pattern.compile("^export ((?:async )?(?:function|class|const) (\\w+))", Pattern.MULTILINE);

    private static final Pattern UNKNOWN = Pattern.compile("^\\s*(import|export)\\b|\\bimport\\(", Pattern.MULTILINE);

    private final Map<String, String> modules = new LinkedHashMap<>();

    private OneScript() {}

    /** @param entry path of the module that begins, within static/assets */
    static String of(String entry) throws IOException {
        OneScript script = new OneScript();
        script.add(entry);
        return "'use strict';\n" + String.join("\n", script.modules.values());
    }

    private void add(String path) throws IOException {
        if (modules.containsKey(path)) {
            return;
        }
        String source = new String(Shipped.asset(path), StandardCharsets.UTF_8);
        for (MatchResult found : IMPORT.matcher(source).results().toList()) {
            add(resolved(path, found.group(2)));
        }
        Matcher imports = IMPORT.matcher(source);
        String inside = imports.replaceAll(found -> Matcher.quoteReplacement(
                "const { " + found.group(1) + " } = " + name(resolved(path, found.group(2))) + ";"));
        List<String> exported = new ArrayList<>();
        EXPORT.matcher(inside).results().forEach(found -> exported.add(found.group(2)));
        String body = EXPORT.matcher(inside).replaceAll("$1");
        if (UNKNOWN.matcher(body).find()) {
            throw new IOException(path + " imports or exports in a way that isn't known here");
        }
        modules.put(
                path,
                "const " + name(path) + " = (() => {\n" + body + "\nreturn { " + String.join(", ", exported)
                        + " };\n})();");
    }

    private static String resolved(String from, String relative) {
        return java.net.URI.create(from).resolve(relative).toString();
    }

    private static String name(String path) {
        return path.replaceAll("\\W", "_");
    }
}
