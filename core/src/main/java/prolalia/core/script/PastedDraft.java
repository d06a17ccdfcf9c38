package prolalia.core.script;

import java.util.Optional;
import prolalia.core.answer.AnswerKind;
import prolalia.core.answer.ChoiceMark;
import prolalia.core.lesson.LineKind;
import prolalia.core.lesson.LineTraits;
import prolalia.core.script.PastedScript.ReadLine;

/**
 * A line that was read out of pasted text and may still be changed.
 *
 * @param right whether it is a right choice
 * @param told the right answer of a question, as a key tells it; null: none does
 * @param answered how a question is answered, as somebody said: empty, it is only heard; null: as it was read
 */
record PastedDraft(LineTraits traits, String words, boolean right, String told, Optional<AnswerKind> answered) {
    LineKind kind() {
        return traits.kind();
    }

    PastedDraft withKind(LineKind changed) {
        return new PastedDraft(traits.withKind(changed), words, right, told, answered);
    }

    PastedDraft withWords(String changed) {
        return new PastedDraft(traits, changed, right, told, answered);
    }

    PastedDraft withRight(boolean changed) {
        return new PastedDraft(traits, words, changed, told, answered);
    }

    PastedDraft withAnswered(Optional<AnswerKind> changed) {
        return new PastedDraft(traits, words, right, told, changed);
    }

    /** The rest of a line that was cut: it has no number and no letter. */
    PastedDraft rest(String words) {
        return new PastedDraft(
                LineTraits.of(kind() == LineKind.QUESTION ? LineKind.PASSAGE : kind()), words, false, null, null);
    }

    ReadLine line() {
        boolean marked = kind() == LineKind.CHOICE && right;
        return new ReadLine(marked ? traits.withMark(new ChoiceMark(true, 0)) : traits, words);
    }
}
