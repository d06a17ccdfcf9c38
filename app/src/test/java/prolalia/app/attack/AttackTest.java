package prolalia.app.attack;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

/** The short attack: a killed server, files with changed bytes, connections that drip, guessers, and a full disk where it can be made. */
class AttackTest {
    @Test
    void whatIsPromisedHolds() throws Exception {
        assertThat(Attack.quick())
                .allSatisfy(row -> assertThat(row.held()).as(row.toString()).isTrue());
    }
}
