package prolalia.core.answer;

import java.util.Locale;
import java.util.Set;

/**
 * How a question is answered: its name, as it is stored and asked for. What it does stands in {@code marking.QuestionKind}; its
 * fragment, browser module and words are found by {@link #slug()} and name.
 */
public enum AnswerKind {
    ONE_CHOICE(Trait.BY_RULE, Trait.CHOICES, Trait.RIGHT_CHOICES),
    SEVERAL_CHOICES(Trait.BY_RULE, Trait.CHOICES, Trait.RIGHT_CHOICES),
    /** A word or two. */
    SHORT_WORDS(Trait.BY_RULE, Trait.TYPED),
    NUMBER(Trait.BY_RULE, Trait.TYPED),
    /** Its choices are brought into their order. */
    ORDER(Trait.BY_RULE, Trait.CHOICES),
    /** Each choice belongs to another one. */
    PAIRS(Trait.BY_RULE, Trait.CHOICES),
    /** Places on the picture of the page are pressed. */
    AREAS(Trait.BY_RULE),
    LONG_TEXT(Trait.TYPED, Trait.FREE),
    SPOKEN(Trait.FREE),
    DRAWING(Trait.FREE),
    /** A file, or what a camera sees. */
    PICTURE();

    private enum Trait {
        BY_RULE,
        CHOICES,
        RIGHT_CHOICES,
        TYPED,
        FREE
    }

    private final Set<Trait> traits;

    AnswerKind(Trait... traits) {
        this.traits = Set.of(traits);
    }

    /** Whether a rule tells what an answer is worth; otherwise somebody hears or looks at it. */
    public boolean isMarkedByRule() {
        return traits.contains(Trait.BY_RULE);
    }

    public boolean hasChoices() {
        return traits.contains(Trait.CHOICES);
    }

    /** Whether its choices are marked as right ones and wrong ones. */
    public boolean hasRightChoices() {
        return traits.contains(Trait.RIGHT_CHOICES);
    }

    public boolean isTyped() {
        return traits.contains(Trait.TYPED);
    }

    /** Whether a child may answer it in another way instead, if its teacher lets her choose. */
    public boolean isFree() {
        return traits.contains(Trait.FREE);
    }

    /** Its name as files have it: small letters, with a hyphen between words. */
    public String slug() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
