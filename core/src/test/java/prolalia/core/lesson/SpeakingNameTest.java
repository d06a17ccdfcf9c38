package prolalia.core.lesson;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

class SpeakingNameTest {
    @Test
    void aNameSaysItsPlaceAndItsWordsAndEveryFileSystemTakesIt() {
        assertThat(SpeakingName.ofLine(2, 3, "Which part: the root / the leaf?"))
                .isEqualTo("p2-03 Which part the root the leaf");
        assertThat(SpeakingName.of("..\\..\\etc\u0000\npasswd")).isEqualTo("etc passwd");
        assertThat(SpeakingName.of("CON")).isEqualTo("CON-");
        assertThat(SpeakingName.of(" ... ")).isEqualTo("-");
        assertThat(SpeakingName.of("种子醒了。")).isEqualTo("种子醒了。");
        assertThat(SpeakingName.of("A bean sleeps in the dry soil until the rain comes and wakes it up."))
                .isEqualTo("A bean sleeps in the dry soil until the rain comes and wakes");
        assertThat(SpeakingName.of("🌱".repeat(60))).isEqualTo("🌱".repeat(30));
    }
}
