package prolalia.core.lesson;

import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** What a direction asks a child to do, as a picture for those who don't read. */
public enum StepIcon {
    LOOK("look", "watch", "see", "find", "point"),
    LISTEN("listen", "hear"),
    SAY("say", "tell", "speak", "sing", "name", "repeat"),
    READ("read"),
    WRITE("write", "spell", "copy", "trace", "fill", "underline", "tick"),
    DRAW("draw", "sketch", "circle", "connect", "join"),
    COLOUR("colour", "color", "paint"),
    CUT("cut", "snip", "tear"),
    GLUE("glue", "stick", "paste"),
    MOVE("move", "stand", "go", "jump", "clap", "walk", "bring", "sort", "put"),
    COUNT("count", "measure", "add", "weigh"),
    PRESS("press", "touch", "tap", "choose", "pick", "answer"),
    THINK("think", "remember", "guess", "imagine"),
    ASK("ask"),
    TOGETHER("together", "partner", "pair", "group", "share", "talk");

    /** Words before the one that says what to do. */
    private static final Set<String> LEAD_IN = Set.of(
            "now",
            "then",
            "next",
            "first",
            "please",
            "and",
            "last",
            "finally",
            "children",
            "you",
            "can",
            "to",
            "let's");

    private final List<String> words;

    StepIcon(String... words) {
        this.words = List.of(words);
    }

    /** The icon that the words of a direction ask for: that of their first word but for words such as "now". English only. */
    public static Optional<StepIcon> of(String words) {
        for (String word : words.toLowerCase(Locale.ROOT).split("[^\\p{L}']+")) {
            if (word.isEmpty() || LEAD_IN.contains(word)) {
                continue;
            }
            return Optional.ofNullable(Words.ICONS.get(word));
        }
        return Optional.empty();
    }

    private static final class Words {
        static final Map<String, StepIcon> ICONS = all();

        private static Map<String, StepIcon> all() {
            Map<String, StepIcon> icons = new HashMap<>();
            for (StepIcon icon : values()) {
                icon.words.forEach(word -> icons.put(word, icon));
            }
            return Map.copyOf(icons);
        }
    }
}
