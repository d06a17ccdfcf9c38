package prolalia.formats.process;

import java.io.IOException;
import java.io.OutputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;

/**
 * Whoever started a program that opens files: it says nothing, holds the program's standard input open, and reads what the
 * program says to it on the standard output, where nothing else can write.
 */
public final class Parent {
    private final PrintStream toIt;

    private Parent(PrintStream toIt) {
        this.toIt = toIt;
    }

    /**
     * The first thing that a program does: what any library prints goes to the standard error from now on, and the program ends
     * when whoever started it is gone, killed too.
     */
    public static Parent meet() {
        PrintStream toIt = System.out;
        System.setOut(System.err);
        System.setProperty("java.awt.headless", "true");
        System.setProperty("log4j2.loggerContextFactory", "org.apache.logging.log4j.simple.SimpleLoggerContextFactory");
        endWithIt();
        return new Parent(toIt);
    }

    /** Says a line to it. */
    public synchronized void say(String line) {
        byte[] bytes = (line + "\n").getBytes(StandardCharsets.UTF_8);
        toIt.write(bytes, 0, bytes.length);
        toIt.flush();
    }

    private static void endWithIt() {
        Thread watch = new Thread(
                () -> {
                    try {
                        System.in.transferTo(OutputStream.nullOutputStream());
                    } catch (IOException gone) {
                        // The same as its end.
                    }
                    Runtime.getRuntime().halt(1);
                },
                "parent");
        watch.setDaemon(true);
        watch.start();
    }
}
