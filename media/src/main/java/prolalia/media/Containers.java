package prolalia.media;

import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;

/** The containers that are read, and how a file of each begins. */
final class Containers {
    /** FFmpeg's names of the demuxers that may open a file. */
    static final String WHITELIST =
            "mp3,aac,wav,w64,flac,ogg,mov,mp4,m4a,3gp,3g2,mj2,matroska,webm,aiff,caf,avi,amr," + "mpegts,mpeg,flv,asf";

    private Containers() {}

    /** Whether a file begins like one of the containers, so that what can't be read of it is damaged. */
    static boolean looksLikeOne(Path file) throws IOException {
        byte[] head = new byte[16];
        int read;
        try (InputStream in = Files.newInputStream(file)) {
            read = in.readNBytes(head, 0, head.length);
        }
        String text = new String(head, 0, read, StandardCharsets.ISO_8859_1);
        return text.startsWith("RIFF")
                || text.startsWith("riff")
                || text.startsWith("fLaC")
                || text.startsWith("OggS")
                || text.startsWith("ID3")
                || text.startsWith("\u001aE\u00df\u00a3")
                || text.startsWith("ftyp", 4)
                || text.startsWith("FORM")
                || text.startsWith("caff")
                || text.startsWith("#!AMR")
                || text.startsWith("\0\0\u0001\u00ba")
                // MPEG audio: eleven set bits, then a layer that isn't the reserved one (ISO/IEC 11172-3, 2.4.2.3),
                // or ADTS, whose layer is 0 (ISO/IEC 13818-7, 6.2).
                || read > 1 && (head[0] & 0xff) == 0xff && (head[1] & 0xe0) == 0xe0;
    }

    /**
     * Whether a RIFF file (WAV) states more bytes than it has. FFmpeg takes the length from what is there, so that it
     * can't be seen from the length alone.
     */
    static boolean statesMoreThanItHas(Path file) throws IOException {
        byte[] head = new byte[8];
        try (InputStream in = Files.newInputStream(file)) {
            if (in.readNBytes(head, 0, head.length) < head.length) {
                return false;
            }
        }
        long stated = Integer.toUnsignedLong(
                ByteBuffer.wrap(head).order(ByteOrder.LITTLE_ENDIAN).getInt(4));
        // Recorders that couldn't go back to write the size leave it at 0 or at the largest number.
        boolean known = stated > 0 && stated < 0xffff_fff0L;
        return new String(head, 0, 4, StandardCharsets.ISO_8859_1).equals("RIFF")
                && known
                && stated + head.length > Files.size(file) + 1;
    }
}
