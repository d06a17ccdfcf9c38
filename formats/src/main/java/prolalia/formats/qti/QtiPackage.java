package prolalia.formats.qti;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import prolalia.core.answer.AnswerKind;
import prolalia.core.answer.NumberKey;
import prolalia.core.answer.Question;
import prolalia.core.lesson.Line;
import prolalia.core.marking.Asked;
import prolalia.core.marking.Asked.Choice;
import prolalia.formats.lesson.ZipOut;
import prolalia.formats.xml.XmlOut;

/**
 * Writes questions as a QTI 3.0 package: an item for each, with the sounds of its words, marked by templates or by rules of its
 * own. What QTI has no place for stands in {@code left-out.txt}.
 */
public final class QtiPackage {
    private static final String ITEM = "http://www.imsglobal.org/xsd/imsqtiasi_v3p0";
    private static final String MANIFEST = "http://www.imsglobal.org/xsd/qti/qtiv3p0/imscp_v1p1";
    private static final String XSI = "http://www.w3.org/2001/XMLSchema-instance";
    private static final String SCHEMA = "https://purl.imsglobal.org/spec/qti/v3p0/schema/xsd/";
    private static final String TEMPLATES = "https://purl.imsglobal.org/spec/qti/v3p0/rptemplates/";
    private static final String RESPONSE = "RESPONSE";

    private final String title;
    private final String lang;

    /** The files of the sounds of lines, by their ids. */
    private final Map<String, Path> sounds;

    private final Set<String> used = new LinkedHashSet<>();
    private final StringBuilder leftOut = new StringBuilder();

    private QtiPackage(String title, String lang, Map<String, Path> sounds) {
        this.title = title;
        this.lang = lang;
        this.sounds = sounds;
    }

    /** @param sounds the MP3 of lines, by the ids of lines @param out not closed */
    public static void write(
            String title, String lang, List<Asked> questions, Map<String, Path> sounds, OutputStream out)
            throws IOException {
        new QtiPackage(title, lang, sounds).write(questions, out);
    }

    private void write(List<Asked> questions, OutputStream out) throws IOException {
        ZipOut zip = new ZipOut(out);
        Map<String, List<String>> soundsOf = new TreeMap<>();
        for (int i = 0; i < questions.size(); i++) {
            String name = String.format(Locale.ROOT, "items/question-%03d.xml", i + 1);
            used.clear();
            zip.put(name, item(i + 1, questions.get(i)));
            soundsOf.put(name, List.copyOf(used));
        }
        zip.put("imsmanifest.xml", manifest(soundsOf));
        if (!leftOut.isEmpty()) {
            zip.put("left-out.txt", leftOut.toString().getBytes(StandardCharsets.UTF_8));
        }
        zip.compressNoMore();
        Set<String> all = new LinkedHashSet<>();
        soundsOf.values().forEach(all::addAll);
        for (String line : all) {
            zip.put("sounds/" + line + ".mp3", sounds.get(line));
        }
        zip.finish();
    }

    private byte[] manifest(Map<String, List<String>> soundsOf) {
        XmlOut xml = new XmlOut(
                "manifest",
                "xmlns",
                MANIFEST,
                "xmlns:xsi",
                XSI,
                "xsi:schemaLocation",
                MANIFEST + " " + SCHEMA + "imsqtiv3p0_imscpv1p2_v1p0.xsd",
                "identifier",
                "MANIFEST");
        xml.open("metadata")
                .element("schema", "QTI Package")
                .element("schemaversion", "3.0.0")
                .close();
        xml.empty("organizations").open("resources");
        int number = 0;
        Set<String> all = new LinkedHashSet<>();
        for (Map.Entry<String, List<String>> item : soundsOf.entrySet()) {
            xml.open(
                    "resource",
                    "identifier",
                    "question-" + ++number,
                    "type",
                    "imsqti_item_xmlv3p0",
                    "href",
                    item.getKey());
            xml.empty("file", "href", item.getKey());
            item.getValue().forEach(line -> xml.empty("dependency", "identifierref", "sound-" + line));
            xml.close();
            all.addAll(item.getValue());
        }
        for (String line : all) {
            String href = "sounds/" + line + ".mp3";
            xml.open("resource", "identifier", "sound-" + line, "type", "webcontent", "href", href)
                    .empty("file", "href", href)
                    .close();
        }
        return xml.close().close().end();
    }

    private byte[] item(int number, Asked asked) {
        Question question = asked.question();
        XmlOut xml = new XmlOut(
                "qti-assessment-item",
                "xmlns",
                ITEM,
                "xmlns:xsi",
                XSI,
                "xsi:schemaLocation",
                ITEM + " " + SCHEMA + "imsqti_asiv3p0_v1p0.xsd",
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
        declaration(number, asked, xml);
        xml.open(
                        "qti-outcome-declaration",
                        "identifier",
                        "SCORE",
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
        xml.open("qti-item-body");
        interaction(asked, xml);
        xml.close();
        processing(asked, xml);
        leftOut(number, asked);
        return xml.close().end();
    }

    private void leftOut(int number, Asked asked) {
        List<String> what = new ArrayList<>();
        if (!asked.hints().isEmpty()) {
            what.add("hints");
        }
        if (asked.praise().isPresent()
                || asked.correction().isPresent()
                || !asked.corrections().isEmpty()) {
            what.add("praise and corrections");
        }
        if (!asked.question().ways().isEmpty()) {
            what.add("other ways to answer");
        }
        if (asked.question().kind() == AnswerKind.AREAS) {
            what.add("the places on its picture that are right");
        }
        if (asked.question().kind() == AnswerKind.NUMBER
                && asked.question().number() != null
                && !asked.question().number().unit().isEmpty()) {
            what.add("the unit of its number");
        }
        if (!what.isEmpty()) {
            leftOut.append(number)
                    .append(". ")
                    .append(asked.line().words())
                    .append(": ")
                    .append(String.join(", ", what))
                    .append("\n");
        }
    }

    // ---- responses

    private void declaration(int number, Asked asked, XmlOut xml) {
        Question question = asked.question();
        List<Choice> choices = asked.choices();
        int points = question.points();
        switch (question.kind()) {
            case ONE_CHOICE, SEVERAL_CHOICES -> {
                boolean one = question.kind() == AnswerKind.ONE_CHOICE;
                List<String> right = choices.stream()
                        .filter(Choice::isRight)
                        .map(QtiPackage::id)
                        .toList();
                open(xml, one ? "single" : "multiple", "identifier", right);
                Map<String, Double> worth = new TreeMap<>();
                choices.forEach(choice -> worth.put(
                        id(choice),
                        right.isEmpty()
                                ? 0
                                : choice.isRight()
                                        ? (double) points / right.size()
                                        : one ? 0 : (double) -points / right.size()));
                mapping(xml, worth, points, true);
            }
            case ORDER ->
                open(
                        xml,
                        "ordered",
                        "identifier",
                        choices.stream().map(QtiPackage::id).toList());
            case PAIRS -> {
                Map<Integer, List<Choice>> pairs = pairs(choices);
                List<String> right = pairs.values().stream()
                        .filter(pair -> pair.size() > 1)
                        .map(pair -> id(pair.get(0)) + " " + id(pair.get(1)))
                        .toList();
                open(xml, "multiple", "directedPair", right);
                Map<String, Double> worth = new TreeMap<>();
                right.forEach(pair -> worth.put(pair, (double) points / right.size()));
                mapping(xml, worth, points, true);
            }
            case SHORT_WORDS -> {
                open(
                        xml,
                        "single",
                        "string",
                        question.accepted().stream().limit(1).toList());
                Map<String, Double> worth = new TreeMap<>();
                question.accepted().forEach(each -> worth.put(each, (double) points));
                mapping(xml, worth, points, question.text().caseMatters());
            }
            case NUMBER ->
                open(
                        xml,
                        "single",
                        "float",
                        question.number() == null
                                ? List.of()
                                : List.of(question.number().value().toPlainString()));
            case LONG_TEXT -> open(xml, "single", "string", List.of());
            case AREAS -> open(xml, "multiple", "point", List.of());
            case SPOKEN, DRAWING, PICTURE -> open(xml, "single", "file", List.of());
        }
        xml.close();
    }

    private static Map<Integer, List<Choice>> pairs(List<Choice> choices) {
        Map<Integer, List<Choice>> pairs = new TreeMap<>();
        choices.stream()
                .filter(choice -> choice.mark().pair() > 0)
                .forEach(choice -> pairs.computeIfAbsent(choice.mark().pair(), unseen -> new ArrayList<>())
                        .add(choice));
        return pairs;
    }

    private static void open(XmlOut xml, String cardinality, String type, List<String> right) {
        xml.open("qti-response-declaration", "identifier", RESPONSE, "cardinality", cardinality, "base-type", type);
        if (!right.isEmpty()) {
            xml.open("qti-correct-response");
            right.forEach(value -> xml.element("qti-value", value));
            xml.close();
        }
    }

    private static void mapping(XmlOut xml, Map<String, Double> worth, int most, boolean exact) {
        if (worth.isEmpty()) {
            return;
        }
        xml.open("qti-mapping", "lower-bound", "0", "upper-bound", String.valueOf(most), "default-value", "0");
        worth.forEach((key, value) -> xml.empty(
                "qti-map-entry",
                "map-key",
                key,
                "mapped-value",
                String.valueOf(value),
                "case-sensitive",
                String.valueOf(exact)));
        xml.close();
    }

    private static String id(Choice choice) {
        return "c-" + choice.id();
    }

    // ---- what is seen

    private void interaction(Asked asked, XmlOut xml) {
        Question question = asked.question();
        switch (question.kind()) {
            case ONE_CHOICE, SEVERAL_CHOICES -> {
                xml.open(
                        "qti-choice-interaction",
                        "response-identifier",
                        RESPONSE,
                        "max-choices",
                        question.kind() == AnswerKind.ONE_CHOICE ? "1" : "0",
                        "shuffle",
                        "false");
                prompt(asked, xml);
                asked.choices().forEach(choice -> choice("qti-simple-choice", choice, xml));
                xml.close();
            }
            case ORDER -> {
                xml.open("qti-order-interaction", "response-identifier", RESPONSE, "shuffle", "true");
                prompt(asked, xml);
                asked.choices().forEach(choice -> choice("qti-simple-choice", choice, xml));
                xml.close();
            }
            case PAIRS -> pairs(asked, xml);
            case SHORT_WORDS, NUMBER -> {
                xml.open("div");
                said(asked.line(), xml);
                xml.close().open("div");
                xml.empty("qti-text-entry-interaction", "response-identifier", RESPONSE)
                        .close();
            }
            case LONG_TEXT -> {
                xml.open("qti-extended-text-interaction", "response-identifier", RESPONSE);
                prompt(asked, xml);
                xml.close();
            }
            case SPOKEN, DRAWING, PICTURE, AREAS -> {
                xml.open(
                        "qti-upload-interaction",
                        "response-identifier",
                        RESPONSE,
                        "type",
                        question.kind() == AnswerKind.SPOKEN ? "audio/mpeg" : "image/png");
                prompt(asked, xml);
                xml.close();
            }
        }
    }

    private void pairs(Asked asked, XmlOut xml) {
        List<Choice> first = new ArrayList<>();
        List<Choice> other = new ArrayList<>();
        pairs(asked.choices()).values().forEach(pair -> {
            first.add(pair.get(0));
            other.addAll(pair.subList(1, pair.size()));
        });
        xml.open(
                "qti-match-interaction",
                "response-identifier",
                RESPONSE,
                "max-associations",
                String.valueOf(first.size()),
                "shuffle",
                "true");
        prompt(asked, xml);
        for (List<Choice> side : List.of(first, other)) {
            xml.open("qti-simple-match-set");
            side.forEach(choice -> choice("qti-simple-associable-choice", choice, xml));
            xml.close();
        }
        xml.close();
    }

    private void prompt(Asked asked, XmlOut xml) {
        xml.open("qti-prompt");
        said(asked.line(), xml);
        xml.close();
    }

    private void choice(String element, Choice choice, XmlOut xml) {
        if (element.contains("associable")) {
            xml.open(element, "identifier", id(choice), "match-max", "1");
        } else {
            xml.open(element, "identifier", id(choice));
        }
        said(choice.line(), xml);
        xml.close();
    }

    private void said(Line line, XmlOut xml) {
        xml.element("span", line.words());
        if (sounds.containsKey(line.id())) {
            used.add(line.id());
            xml.open("audio", "controls", "controls")
                    .empty("source", "src", "../sounds/" + line.id() + ".mp3", "type", "audio/mpeg")
                    .close();
        }
    }

    // ---- marking

    private static void processing(Asked asked, XmlOut xml) {
        switch (asked.question().kind()) {
            case ONE_CHOICE, SEVERAL_CHOICES, PAIRS, SHORT_WORDS ->
                xml.empty("qti-response-processing", "template", TEMPLATES + "map_response.xml");
            case ORDER ->
                rule(
                        asked.question().points(),
                        xml,
                        () -> xml.open("qti-match")
                                .empty("qti-variable", "identifier", RESPONSE)
                                .empty("qti-correct", "identifier", RESPONSE)
                                .close());
            case NUMBER -> {
                NumberKey key = asked.question().number();
                if (key != null) {
                    String within = key.tolerance().toPlainString();
                    rule(
                            asked.question().points(),
                            xml,
                            () -> xml.open(
                                            "qti-equal",
                                            "tolerance-mode",
                                            "absolute",
                                            "tolerance",
                                            within + " " + within)
                                    .empty("qti-correct", "identifier", RESPONSE)
                                    .empty("qti-variable", "identifier", RESPONSE)
                                    .close());
                }
            }
            case LONG_TEXT, SPOKEN, DRAWING, PICTURE, AREAS -> {
                // Somebody looks at it.
            }
        }
    }

    private static void rule(int points, XmlOut xml, Runnable condition) {
        xml.open("qti-response-processing").open("qti-response-condition").open("qti-response-if");
        condition.run();
        xml.open("qti-set-outcome-value", "identifier", "SCORE")
                .element("qti-base-value", String.valueOf(points), "base-type", "float")
                .close()
                .close()
                .close()
                .close();
    }
}
