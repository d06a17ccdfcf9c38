package prolalia.app.platform;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.io.InputStream;
import org.springframework.stereotype.Component;

/** Files that come in as the body of a request: none larger than it may be, or than there is room for. */
@Component
public class IncomingFiles {
    private final DataFolder folder;

    IncomingFiles(DataFolder folder) {
        this.folder = folder;
    }

    /**
     * The file, to be read once.
     *
     * @throws TooLargeException here, or from the stream when more comes than was said
     */
    public InputStream open(HttpServletRequest request, long largestBytes) throws IOException {
        if (request.getContentLengthLong() > largestBytes) {
            throw new TooLargeException();
        }
        folder.needRoom(request.getContentLengthLong());
        return new LimitedStream(request.getInputStream(), largestBytes);
    }
}
