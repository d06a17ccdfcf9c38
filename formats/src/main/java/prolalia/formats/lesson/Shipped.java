package prolalia.formats.lesson;

import java.io.IOException;
import java.io.InputStream;

/** Files that ship with the program and go out with lessons. */
public final class Shipped {
    private Shipped() {}

    /** @param path on the class path */
    public static byte[] read(String path) throws IOException {
        try (InputStream in = Shipped.class.getClassLoader().getResourceAsStream(path)) {
            if (in == null) {
                throw new IOException("The file " + path + " does not ship");
            }
            return in.readAllBytes();
        }
    }

    /** @param path within static/assets */
    public static byte[] asset(String path) throws IOException {
        return read("static/assets/" + path);
    }
}
