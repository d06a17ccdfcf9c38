package prolalia.app.reading;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import prolalia.app.account.Actor;
import prolalia.app.reading.PhoneLink.Message;
import prolalia.app.reading.PhoneLink.Side;

class PhoneLinkTest {
    private static final long NOW = 1_000_000;
    private static final long MINUTE = 60_000;

    private final PhoneLink link = new PhoneLink(new Actor.Teacher("ines"), "beans", List.of("a", "b"), NOW);

    private List<Message> messages(Side side, long after) {
        List<Message> messages = new ArrayList<>();
        link.listen(side, after, messages::addAll).run();
        return messages;
    }

    private List<String> heard(Side side, long after) {
        return messages(side, after).stream()
                .map(message -> message.says().get("kind"))
                .toList();
    }

    @Test
    void itIsOpenAsLongAsTheComputerIsThere() {
        assertThat(link.isOpen(NOW + 2 * MINUTE)).isTrue();
        link.computerIsThere(NOW + 2 * MINUTE);
        assertThat(link.isOpen(NOW + 4 * MINUTE)).isTrue();
        assertThat(link.isOpen(NOW + 6 * MINUTE))
                .as("its page was closed without a word")
                .isFalse();
        link.computerIsThere(NOW + 6 * MINUTE);
        assertThat(link.isOpen(NOW + 6 * MINUTE)).as("it was only asleep").isTrue();
        link.end();
        link.computerIsThere(NOW + 7 * MINUTE);
        assertThat(link.isOpen(NOW + 7 * MINUTE)).isFalse();
    }

    @Test
    void theNewestPhoneIsTheMicrophone() {
        link.join("one");
        assertThat(link.isMicrophone("one")).isTrue();
        link.join("two");
        assertThat(link.isMicrophone("one")).isFalse();
        assertThat(link.isMicrophone("two")).isTrue();
        assertThat(heard(Side.PHONE, 0)).containsExactly("joined", "joined");
        assertThat(heard(Side.COMPUTER, 1)).containsExactly("joined");
    }

    @Test
    void messagesComeInOrderToTheirSideAloneAndAfterWhatWasHeardBefore() {
        link.say(Side.PHONE, Map.of("kind", "press"));
        link.say(Side.COMPUTER, Map.of("kind", "state"));
        link.say(Side.COMPUTER, Map.of("kind", "finished"));
        assertThat(heard(Side.PHONE, 0)).containsExactly("press");
        assertThat(heard(Side.COMPUTER, 0)).containsExactly("state", "finished");
        assertThat(heard(Side.COMPUTER, 1)).containsExactly("finished");
        assertThat(heard(Side.COMPUTER, 2)).isEmpty();
        assertThat(messages(Side.COMPUTER, 0)).extracting(Message::number).containsExactly(1L, 2L);
    }

    @Test
    void whoWaitsIsToldAtOnceAlsoThatItIsOver() {
        List<Message> told = new ArrayList<>();
        Runnable goneAway = link.listen(Side.PHONE, 0, told::addAll);
        goneAway.run();
        link.say(Side.PHONE, Map.of("kind", "press"));
        assertThat(told).as("who waits no more").isEmpty();
        link.listen(Side.PHONE, 1, told::addAll);
        assertThat(told).isEmpty();
        link.end();
        assertThat(told)
                .singleElement()
                .satisfies(message -> assertThat(message.says()).containsEntry("kind", "ended"));
    }

    @Test
    void whatNobodyFetchesIsForgottenAndTheNewestStays() {
        for (int i = 1; i <= 1_000; i++) {
            link.say(Side.COMPUTER, Map.of("kind", String.valueOf(i)));
        }
        assertThat(heard(Side.COMPUTER, 0)).hasSizeLessThan(300).endsWith("999", "1000");
    }

    @Test
    void recordingsThatWereBegunAreKnown() {
        assertThat(link.knows("r")).isFalse();
        link.begins("r");
        link.end();
        assertThat(link.knows("r")).isTrue();
    }
}
