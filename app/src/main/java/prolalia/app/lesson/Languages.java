package prolalia.app.lesson;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/** The languages that a teacher is offered for words, each under its own name. */
public final class Languages {
    private static final List<String> OFFERED = List.of(
            "en", "ar", "bn", "cs", "da", "de", "el", "es", "fa", "fi", "fr", "he", "hi", "hr", "hu", "it", "ja", "ko",
            "lt", "nl", "no", "pl", "pt", "ro", "ru", "sk", "so", "sr", "sv", "th", "ti", "tr", "uk", "ur", "vi", "zh");

    private Languages() {}

    /** @param current which is among them, whatever it is; null: none is chosen @return names by tag */
    public static Map<String, String> offered(String current) {
        Map<String, String> names = new LinkedHashMap<>();
        OFFERED.forEach(tag -> names.put(tag, name(tag)));
        if (current != null) {
            names.putIfAbsent(current, name(current));
        }
        return names;
    }

    private static String name(String tag) {
        Locale language = Locale.forLanguageTag(tag);
        return language.getDisplayName(language);
    }
}
