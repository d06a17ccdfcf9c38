package prolalia.formats.qti;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import prolalia.core.answer.Question;
import prolalia.core.lesson.Line;
import prolalia.core.marking.QuestionWithLines;
import prolalia.core.marking.QuestionWithLines.Choice;
import prolalia.formats.xml.XmlOut;

/**
 * Writes one question as an item of QTI 3.0 (ASI): marked by a template, or by rules of its own where an order or a number
 * is asked for, or something is said afterwards. Praise and corrections are modal feedback.
 */
final class QtiItemWriter {
    private static final String ITEM = "http://www.imsglobal.org/xsd/imsqtiasi_v3p0";

    private final int number;
    private final QuestionWithLines asked;
    private final QtiRules rules;
    private final String title;
    private final String lang;

    /** Ids of the lines that have a sound. */
    private final Set<String> voiced;

    private final Set<String> used = new LinkedHashSet<>();

    QtiItemWriter(int number, QuestionWithLines asked, String title, String lang, Set<String> voiced) {
        this.number = number;
        this.asked = asked;
        rules = new QtiRules(asked);
        this.title = title;
        this.lang = lang;
        this.voiced = voiced;
    }

    /** Ids of the lines whose sounds it has, once it is written. */
    List<String> sounds() {
        return List.copyOf(used);
    }

    byte[] write() {
        Question question = asked.question();
        XmlOut xml = new XmlOut(
                "qti-assessment-item",
                "xmlns",
                ITEM,
                "xmlns:xsi",
                QtiPackage.XSI,
                "xsi:schemaLocation",
                ITEM + " " + QtiPackage.SCHEMA + "imsqti_asiv3p0_v1p0.xsd",
                "identifier",
                "question-" + number,
                "title",
                asked.line().words().isBlank() ? title : asked.line().words(),
                "adaptive",
                "false",
                "time-dependent",
                "false",
                "xml:lang",
                lang);
        rules.declaration(xml);
        xml.open(
                        "qti-outcome-declaration",
                        "identifier",
                        QtiRules.SCORE,
                        "cardinality",
                        "single",
                        "base-type",
                        "float",
                        "normal-maximum",
                        String.valueOf(question.points()))
                .open("qti-default-value")
                .element("qti-value", "0")
                .close()
                .close();
        if (rules.hasFeedback() && rules.isMarked()) {
            xml.empty(
                    "qti-outcome-declaration",
                    "identifier",
                    QtiRules.FEEDBACK,
                    "cardinality",
                    "single",
                    "base-type",
                    "identifier");
        }
        xml.open("qti-item-body");
        interaction(xml);
        xml.close();
        rules.processing(xml);
        feedback(xml);
        return xml.close().end();
    }

    /** What QTI has no place for; empty: nothing. */
    String leftOut() {
        List<String> what = new ArrayList<>();
        if (!asked.hints().isEmpty()) {
            what.add("hints");
        }
        if (rules.hasFeedback() && !rules.isMarked()) {
            what.add("praise and corrections");
        }
        if (!asked.question().ways().isEmpty()) {
            what.add("other ways to answer");
        }
        if (!rules.kind().leftOut().isEmpty()) {
            what.add(rules.kind().leftOut());
        }
        if (rules.kind().scoring() == QtiKind.Scoring.EQUAL
                && asked.question().number() != null
                && !asked.question().number().unit().isEmpty()) {
            what.add("the unit of its number");
        }
        return what.isEmpty() ? "" : number + ". " + asked.line().words() + ": " + String.join(", ", what) + "\n";
    }

    // ---- what is seen

    private void interaction(XmlOut xml) {
        switch (rules.kind().interaction()) {
            case CHOICE -> choices(xml, "max-choices", rules.kind().takesOne() ? "1" : "0", "shuffle", "false");
            case ORDER -> choices(xml, "shuffle", "true");
            case MATCH -> pairs(xml);
            case TEXT_ENTRY -> {
                xml.open("div");
                said(asked.line(), xml);
                xml.close().open("div");
                xml.empty(QtiKind.Interaction.TEXT_ENTRY.element(), "response-identifier", QtiRules.RESPONSE)
                        .close();
            }
            case EXTENDED_TEXT -> asksAlone(xml);
            case SOUND_UPLOAD -> asksAlone(xml, "type", "audio/mpeg");
            case PICTURE_UPLOAD -> asksAlone(xml, "type", "image/png");
        }
    }

    private void choices(XmlOut xml, String... traits) {
        open(xml, traits);
        asked.choices().forEach(choice -> choice("qti-simple-choice", choice, xml));
        xml.close();
    }

    private void asksAlone(XmlOut xml, String... traits) {
        open(xml, traits);
        xml.close();
    }

    private void open(XmlOut xml, String... traits) {
        List<String> all = new ArrayList<>(List.of("response-identifier", QtiRules.RESPONSE));
        all.addAll(List.of(traits));
        xml.open(rules.kind().interaction().element(), all.toArray(String[]::new));
        prompt(xml);
    }

    private void pairs(XmlOut xml) {
        List<Choice> first = new ArrayList<>();
        List<Choice> other = new ArrayList<>();
        QtiKind.pairs(asked.choices()).values().forEach(pair -> {
            first.add(pair.get(0));
            other.addAll(pair.subList(1, pair.size()));
        });
        open(xml, "max-associations", String.valueOf(first.size()), "shuffle", "true");
        for (List<Choice> side : List.of(first, other)) {
            xml.open("qti-simple-match-set");
            side.forEach(choice -> choice("qti-simple-associable-choice", choice, xml));
            xml.close();
        }
        xml.close();
    }

    private void prompt(XmlOut xml) {
        xml.open("qti-prompt");
        said(asked.line(), xml);
        xml.close();
    }

    private void choice(String element, Choice choice, XmlOut xml) {
        if (element.contains("associable")) {
            xml.open(element, "identifier", QtiKind.id(choice), "match-max", "1");
        } else {
            xml.open(element, "identifier", QtiKind.id(choice));
        }
        said(choice.line(), xml);
        xml.close();
    }

    private void said(Line line, XmlOut xml) {
        xml.element("span", line.words());
        if (voiced.contains(line.id())) {
            used.add(line.id());
            xml.open("audio", "controls", "true")
                    .empty("source", "src", "../sounds/" + line.id() + ".mp3", "type", "audio/mpeg")
                    .close();
        }
    }

    private void feedback(XmlOut xml) {
        if (rules.isMarked()) {
            asked.praise().ifPresent(line -> feedback(QtiRules.PRAISE, line, xml));
            asked.corrections().forEach((choice, line) -> feedback("c-" + choice, line, xml));
            asked.correction().ifPresent(line -> feedback(QtiRules.CORRECTION, line, xml));
        }
    }

    private void feedback(String identifier, Line line, XmlOut xml) {
        xml.open(
                        "qti-modal-feedback",
                        "outcome-identifier",
                        QtiRules.FEEDBACK,
                        "show-hide",
                        "show",
                        "identifier",
                        identifier)
                .open("qti-content-body")
                .open("p");
        said(line, xml);
        xml.close().close().close();
    }
}
