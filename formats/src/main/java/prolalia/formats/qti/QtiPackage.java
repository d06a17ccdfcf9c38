package prolalia.formats.qti;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import prolalia.core.marking.QuestionWithLines;
import prolalia.formats.lesson.ZipOut;
import prolalia.formats.xml.XmlOut;

/**
 * Writes questions as a QTI 3.0 package: an item for each ({@link QtiItemWriter}), with the sounds of its words. What QTI has no
 * place for stands in {@code left-out.txt}.
 */
public final class QtiPackage {
    private static final String MANIFEST = "http://www.imsglobal.org/xsd/qti/qtiv3p0/imscp_v1p1";
    static final String XSI = "http://www.w3.org/2001/XMLSchema-instance";
    static final String SCHEMA = "https://purl.imsglobal.org/spec/qti/v3p0/schema/xsd/";

    private final String title;
    private final String lang;

    /** The files of the sounds of lines, by their ids. */
    private final Map<String, Path> sounds;

    private QtiPackage(String title, String lang, Map<String, Path> sounds) {
        this.title = title;
        this.lang = lang;
        this.sounds = sounds;
    }

    /** @param sounds the MP3 of lines, by the ids of lines @param out not closed */
    public static void write(
            String title, String lang, List<QuestionWithLines> questions, Map<String, Path> sounds, OutputStream out)
            throws IOException {
        new QtiPackage(title, lang, sounds).write(questions, out);
    }

    private void write(List<QuestionWithLines> questions, OutputStream out) throws IOException {
        ZipOut zip = new ZipOut(out);
        Map<String, List<String>> soundsOf = new TreeMap<>();
        StringBuilder leftOut = new StringBuilder();
        for (int i = 0; i < questions.size(); i++) {
            String name = String.format(Locale.ROOT, "items/question-%03d.xml", i + 1);
            QtiItemWriter item = new QtiItemWriter(i + 1, questions.get(i), title, lang, sounds.keySet());
            zip.put(name, item.write());
            soundsOf.put(name, item.sounds());
            leftOut.append(item.leftOut());
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
}
