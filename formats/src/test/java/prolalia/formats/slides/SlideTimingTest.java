package prolalia.formats.slides;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.HashSet;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import prolalia.core.page.PlayRule;
import prolalia.core.page.PlayRule.Start;

/** Sounds are added to what moves on a slide, and what played others goes. */
class SlideTimingTest {
    private static final String P = "xmlns:p=\"http://schemas.openxmlformats.org/presentationml/2006/main\"";
    private static final PlayRule ON_ARRIVAL =
            new PlayRule(Start.ARRIVAL, null, null, null, null, null).over(PlayRule.USUAL);

    /** A slide on which shape 9 appears, and on which sound 5 plays on a press. */
    private static final String MOVING = """
            <p:timing %s><p:tnLst><p:par><p:cTn id="1" dur="indefinite" restart="never" nodeType="tmRoot"><p:childTnLst>\
            <p:seq concurrent="1" nextAc="seek"><p:cTn id="2" dur="indefinite" nodeType="mainSeq"><p:childTnLst>\
            <p:par><p:cTn id="3" fill="hold"><p:childTnLst><p:set><p:cBhvr><p:cTn id="7" dur="1"/><p:tgtEl><p:spTgt spid="9"/>\
            </p:tgtEl></p:cBhvr></p:set></p:childTnLst></p:cTn></p:par></p:childTnLst></p:cTn></p:seq>\
            <p:seq><p:cTn id="10" nodeType="interactiveSeq"><p:stCondLst><p:cond evt="onClick"><p:tgtEl><p:spTgt spid="5"/></p:tgtEl>\
            </p:cond></p:stCondLst><p:childTnLst><p:par><p:cTn id="11"><p:childTnLst><p:cmd type="call" cmd="togglePause"><p:cBhvr>\
            <p:cTn id="12"/><p:tgtEl><p:spTgt spid="5"/></p:tgtEl></p:cBhvr></p:cmd></p:childTnLst></p:cTn></p:par></p:childTnLst>\
            </p:cTn></p:seq>\
            <p:audio><p:cMediaNode><p:cTn id="13"/><p:tgtEl><p:spTgt spid="5"/></p:tgtEl></p:cMediaNode></p:audio>\
            </p:childTnLst></p:cTn></p:par></p:tnLst></p:timing>""".formatted(P);

    private static String xml(SlideTiming timing) throws Exception {
        return SlideXml.timing(timing.document()).xmlText();
    }

    private static void eachIdOnce(String xml) {
        Set<String> ids = new HashSet<>();
        Matcher id = Pattern.compile("cTn id=\"(\\d+)\"").matcher(xml);
        while (id.find()) {
            assertThat(ids.add(id.group(1))).as(id.group()).isTrue();
        }
    }

    @Test
    void whatMovesGoesOnMovingAndTheSoundOfArrivalComesFirst() throws Exception {
        SlideTiming timing = new SlideTiming(MOVING);
        timing.add(20, 1500, ON_ARRIVAL);
        timing.add(21, 700, ON_ARRIVAL);
        timing.add(22, 700, PlayRule.USUAL);
        String xml = xml(timing);
        eachIdOnce(xml);
        assertThat(xml).contains("spid=\"9\"").containsOnlyOnce("mainSeq");
        assertThat(xml.indexOf("dur=\"1500\""))
                .as("one after another, before what moves")
                .isLessThan(xml.indexOf("dur=\"700\""));
        assertThat(xml.indexOf("dur=\"700\"")).isLessThan(xml.indexOf("spid=\"9\""));
        assertThat(xml.split("playFrom", -1))
                .as("the third one on a press alone")
                .hasSize(3);
        assertThat(xml.split("<p:audio", -1)).hasSize(5);
    }

    @Test
    void whatPlayedASoundThatIsGoneGoesWithIt() throws Exception {
        SlideTiming timing = new SlideTiming(MOVING);
        timing.forget(Set.of(5L));
        assertThat(xml(timing))
                .doesNotContain("spid=\"5\"", "interactiveSeq", "<p:audio")
                .contains("spid=\"9\"");
    }

    @Test
    void aSlideOnWhichNothingMovesGetsASequenceOfItsOwnAndRulesOfVolumeAndRepeats() throws Exception {
        SlideTiming timing = new SlideTiming(null);
        timing.add(
                4, 900, new PlayRule(Start.ARRIVAL, 30, PlayRule.UNTIL_LEFT, false, null, null).over(PlayRule.USUAL));
        String xml = xml(timing);
        eachIdOnce(xml);
        assertThat(xml).contains("mainSeq", "vol=\"30000\"", "repeatCount=\"indefinite\"", "numSld=\"999\"", "onBegin");
        SlideTiming once = new SlideTiming(null);
        once.add(4, 900, PlayRule.USUAL);
        assertThat(xml(once)).doesNotContain("mainSeq", "repeatCount", "numSld").contains("vol=\"100000\"");
    }

    @Test
    void whatIsNoTimingIsSaidSo() {
        org.assertj.core.api.Assertions.assertThatThrownBy(() -> new SlideTiming("<p:timing"))
                .isInstanceOf(IOException.class);
    }
}
