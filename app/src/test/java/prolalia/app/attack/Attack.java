package prolalia.app.attack;

import java.nio.file.Files;
import java.util.ArrayList;
import java.util.List;

/**
 * Attacks a server that it starts itself, on this machine alone, bounded in number and time, and prints what held. What it can't
 * show is in docs/security.md.
 */
public final class Attack {
    private Attack() {}

    public static void main(String[] arguments) throws Exception {
        List<String> asked = List.of(arguments);
        List<Row> rows = asked.contains("--short") ? quick() : asked.contains("--crowd") ? crowd() : whole();
        System.exit(rows.stream().allMatch(Row::held) ? 0 : 1);
    }

    /** What a test run has time for. */
    static List<Row> quick() throws Exception {
        return run(true, 1, 24, 3, 24, 0, 0);
    }

    /** Many people alone. */
    static List<Row> crowd() throws Exception {
        List<Row> rows = new ArrayList<>();
        try (Target target = new Target(Files.createTempDirectory("attack").resolve("school"), false)) {
            add(rows, Crowd.run(target, 3_000, 10, 300));
            add(rows, Teachers.run(target, 20, 600));
            add(rows, Idlers.run(target, 500, 440, 20));
        }
        return rows;
    }

    static List<Row> whole() throws Exception {
        return run(false, 20, 600, 20, 400, 3_000, 10);
    }

    private static List<Row> run(
            boolean quick, int kills, int files, int dripSeconds, int guesses, int listeners, int teachers)
            throws Exception {
        List<Row> rows = new ArrayList<>();
        try (Target target = new Target(Files.createTempDirectory("attack").resolve("school"), quick)) {
            if (listeners > 0) {
                add(rows, Crowd.run(target, listeners, teachers, listeners / 10));
                add(rows, Teachers.run(target, 2 * teachers, listeners / 5));
            }
            add(rows, BadFiles.run(target, files));
            add(rows, Drips.run(target, 200, dripSeconds));
            add(rows, Drips.ofOneChild(target, 220, dripSeconds));
            if (!quick) {
                add(rows, Idlers.run(target, 500, 440, dripSeconds));
            }
            add(rows, Guessers.run(target, guesses));
            add(rows, DoorGuessers.run(target, quick ? 40 : 150));
            add(rows, Answerers.run(target, quick ? 6 : 20, quick ? 1 : 5));
            add(rows, Kills.run(target, kills));
        }
        add(rows, FullDisk.run(quick));
        return rows;
    }

    private static void add(List<Row> rows, Row row) {
        System.out.println(row);
        rows.add(row);
    }
}
