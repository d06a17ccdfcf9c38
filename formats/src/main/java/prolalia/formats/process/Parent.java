package prolalia.formats.process;

import java.io.IOException;
import java.io.OutputStream;

/** Whoever started a program that opens files; it says nothing, and holds the program's standard input open. */
public final class Parent {
    private Parent() {}

    /** Ends this program when whoever started it is gone, killed too. */
    public static void endWithIt() {
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
