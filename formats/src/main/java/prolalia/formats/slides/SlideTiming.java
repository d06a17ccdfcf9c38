package prolalia.formats.slides;

import java.io.IOException;
import java.io.StringReader;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import javax.xml.parsers.DocumentBuilderFactory;
import javax.xml.parsers.ParserConfigurationException;
import org.w3c.dom.Document;
import org.w3c.dom.Element;
import org.w3c.dom.Node;
import org.w3c.dom.NodeList;
import org.xml.sax.InputSource;
import org.xml.sax.SAXException;
import prolalia.core.page.PlayRule;

/**
 * When the sounds of a slide play (ISO/IEC 29500-1, 19.5: p:timing). What moves on the slide already goes on moving; sounds are
 * added: on arrival one after another before anything else, on a press each by itself.
 */
final class SlideTiming {
    private static final String P = "http://schemas.openxmlformats.org/presentationml/2006/main";
    private static final String EMPTY = """
            <p:timing xmlns:p="%s"><p:tnLst><p:par><p:cTn id="1" dur="indefinite" restart="never" nodeType="tmRoot">\
            <p:childTnLst/></p:cTn></p:par></p:tnLst></p:timing>""".formatted(P);

    private final Document document;
    private int lastId;

    /** @param existing XML of the slide's p:timing; null when it has none */
    SlideTiming(String existing) throws IOException {
        document = parsed(existing == null ? EMPTY : existing);
        for (Element node : elements("cTn")) {
            lastId = Math.max(lastId, Integer.parseInt(node.getAttribute("id")));
        }
    }

    Document document() {
        return document;
    }

    /** Takes away what plays shapes that aren't there any more. */
    void forget(Set<Long> shapes) {
        for (Element target : elements("spTgt")) {
            if (shapes.contains(Long.parseLong(target.getAttribute("spid")))) {
                remove(outermostOf(target));
            }
        }
    }

    /** The effect, the sound or the sequence that a target belongs to. */
    private static Node outermostOf(Element target) {
        for (Node node = target; node != null; node = node.getParentNode()) {
            String name = node.getLocalName();
            boolean effect =
                    "par".equals(name) && !elements((Element) node, "cmd").isEmpty();
            boolean pressed = "seq".equals(name)
                    && "interactiveSeq"
                            .equals(elements((Element) node, "cTn").get(0).getAttribute("nodeType"));
            if ("audio".equals(name) || "video".equals(name) || effect || pressed) {
                return node;
            }
        }
        return target;
    }

    private static void remove(Node node) {
        Node parent = node.getParentNode();
        if (parent != null) {
            parent.removeChild(node);
            // A list without anything in it is not valid.
            if ("childTnLst".equals(parent.getLocalName())
                    && parent.getChildNodes().getLength() == 0
                    && !"tmRoot".equals(((Element) parent.getParentNode()).getAttribute("nodeType"))) {
                remove(parent.getParentNode().getParentNode());
            }
        }
    }

    /** A sound, and what plays it. @param shape the id of its picture on the slide */
    void add(long shape, long durationMs, PlayRule rule) throws IOException {
        Node list = rootList();
        if (rule.start() == PlayRule.Start.ARRIVAL) {
            Element main = mainSequence(list);
            Element within = elements(main, "childTnLst").stream()
                    .filter(each -> each.getParentNode() == main)
                    .findFirst()
                    .orElseThrow();
            insertAfterArrivals(within, fragment(arrival(shape, durationMs, main.getAttribute("id"))));
        }
        list.appendChild(fragment(press(shape)));
        list.appendChild(fragment(sound(shape, rule)));
    }

    private Node rootList() {
        Element root = elements("cTn").get(0);
        List<Element> lists = elements(root, "childTnLst");
        if (lists.isEmpty()) {
            return root.appendChild(document.createElementNS(P, "p:childTnLst"));
        }
        return lists.get(0);
    }

    private Element mainSequence(Node list) throws IOException {
        for (Element node : elements("cTn")) {
            if ("mainSeq".equals(node.getAttribute("nodeType"))) {
                return node;
            }
        }
        Node added = fragment("""
                <p:seq concurrent="1" nextAc="seek"><p:cTn id="%d" dur="indefinite" nodeType="mainSeq"><p:childTnLst/></p:cTn>\
                <p:prevCondLst><p:cond evt="onPrev" delay="0"><p:tgtEl><p:sldTgt/></p:tgtEl></p:cond></p:prevCondLst>\
                <p:nextCondLst><p:cond evt="onNext" delay="0"><p:tgtEl><p:sldTgt/></p:tgtEl></p:cond></p:nextCondLst></p:seq>""".formatted(++lastId));
        list.insertBefore(added, list.getFirstChild());
        return elements((Element) added, "cTn").get(0);
    }

    private final List<Node> arrivals = new ArrayList<>();

    /** The first starts with the slide; the next ones follow in the same step of the sequence. */
    private void insertAfterArrivals(Element within, Node effect) {
        Node before = arrivals.isEmpty()
                ? within.getFirstChild()
                : arrivals.get(arrivals.size() - 1).getNextSibling();
        within.insertBefore(effect, before);
        arrivals.add(effect);
    }

    private String arrival(long shape, long durationMs, String mainId) {
        String begins = arrivals.isEmpty()
                ? "<p:cond delay=\"indefinite\"/><p:cond evt=\"onBegin\" delay=\"0\"><p:tn val=\"%s\"/></p:cond>"
                        .formatted(mainId)
                : "<p:cond delay=\"indefinite\"/><p:cond evt=\"onEnd\" delay=\"0\"><p:tn val=\"%d\"/></p:cond>"
                        .formatted(lastId);
        return """
                <p:par><p:cTn id="%d" fill="hold"><p:stCondLst>%s</p:stCondLst><p:childTnLst><p:par><p:cTn id="%d" fill="hold">\
                <p:stCondLst><p:cond delay="0"/></p:stCondLst><p:childTnLst><p:par><p:cTn id="%d" presetID="1" presetClass="mediacall" \
                presetSubtype="0" fill="hold" nodeType="afterEffect"><p:stCondLst><p:cond delay="0"/></p:stCondLst><p:childTnLst>\
                <p:cmd type="call" cmd="playFrom(0.0)"><p:cBhvr><p:cTn id="%d" dur="%d" fill="hold"/><p:tgtEl><p:spTgt spid="%d"/>\
                </p:tgtEl></p:cBhvr></p:cmd></p:childTnLst></p:cTn></p:par></p:childTnLst></p:cTn></p:par></p:childTnLst></p:cTn></p:par>""".formatted(++lastId, begins, ++lastId, ++lastId, ++lastId, durationMs, shape);
    }

    private String press(long shape) {
        String pressed = "<p:cond evt=\"onClick\" delay=\"0\"><p:tgtEl><p:spTgt spid=\"%d\"/></p:tgtEl></p:cond>"
                .formatted(shape);
        return """
                <p:seq concurrent="1" nextAc="seek"><p:cTn id="%d" restart="whenNotActive" fill="hold" evtFilter="cancelBubble" \
                nodeType="interactiveSeq"><p:stCondLst>%s</p:stCondLst><p:endSync evt="end" delay="0"><p:rtn val="all"/></p:endSync>\
                <p:childTnLst><p:par><p:cTn id="%d" fill="hold"><p:stCondLst><p:cond delay="0"/></p:stCondLst><p:childTnLst><p:par>\
                <p:cTn id="%d" fill="hold"><p:stCondLst><p:cond delay="0"/></p:stCondLst><p:childTnLst><p:par><p:cTn id="%d" presetID="2" \
                presetClass="mediacall" presetSubtype="0" fill="hold" nodeType="clickEffect"><p:stCondLst><p:cond delay="0"/></p:stCondLst>\
                <p:childTnLst><p:cmd type="call" cmd="togglePause"><p:cBhvr><p:cTn id="%d" dur="1" fill="hold"/><p:tgtEl>\
                <p:spTgt spid="%d"/></p:tgtEl></p:cBhvr></p:cmd></p:childTnLst></p:cTn></p:par></p:childTnLst></p:cTn></p:par>\
                </p:childTnLst></p:cTn></p:par></p:childTnLst></p:cTn><p:nextCondLst>%s</p:nextCondLst></p:seq>""".formatted(++lastId, pressed, ++lastId, ++lastId, ++lastId, ++lastId, shape, pressed);
    }

    /** The sound itself: how loud, how often, and whether it goes on over the next slides. */
    private String sound(long shape, PlayRule rule) {
        String repeat = rule.times() == PlayRule.UNTIL_LEFT
                ? " repeatCount=\"indefinite\""
                : rule.times() > 1 ? " repeatCount=\"%d\"".formatted(rule.times() * 1000) : "";
        return String.format(
                Locale.ROOT,
                """
                <p:audio><p:cMediaNode vol="%d"%s><p:cTn id="%d"%s fill="hold" display="0"><p:stCondLst><p:cond delay="indefinite"/>\
                </p:stCondLst><p:endCondLst><p:cond evt="onStopAudio" delay="0"><p:tgtEl><p:sldTgt/></p:tgtEl></p:cond></p:endCondLst>\
                </p:cTn><p:tgtEl><p:spTgt spid="%d"/></p:tgtEl></p:cMediaNode></p:audio>""",
                rule.volumePercent() * 1000,
                rule.stopOnLeaving() ? "" : " numSld=\"999\"",
                ++lastId,
                repeat,
                shape);
    }

    private Node fragment(String xml) throws IOException {
        Element root = parsed("<p:x xmlns:p=\"" + P + "\">" + xml + "</p:x>").getDocumentElement();
        return document.importNode(root.getFirstChild(), true);
    }

    private static Document parsed(String xml) throws IOException {
        try {
            DocumentBuilderFactory factory = DocumentBuilderFactory.newInstance();
            factory.setNamespaceAware(true);
            factory.setFeature("http://apache.org/xml/features/disallow-doctype-decl", true);
            return factory.newDocumentBuilder().parse(new InputSource(new StringReader(xml)));
        } catch (ParserConfigurationException | SAXException failure) {
            throw new IOException("The timing of a slide can't be read", failure);
        }
    }

    private List<Element> elements(String name) {
        return elements(document.getDocumentElement(), name);
    }

    private static List<Element> elements(Element within, String name) {
        NodeList found = within.getElementsByTagNameNS(P, name);
        List<Element> elements = new ArrayList<>();
        for (int i = 0; i < found.getLength(); i++) {
            elements.add((Element) found.item(i));
        }
        return elements;
    }
}
