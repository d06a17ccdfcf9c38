package prolalia.app.spoken;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Map;
import java.util.Optional;
import org.springframework.security.core.Authentication;
import org.springframework.ui.Model;
import prolalia.app.account.SignedInTeacher;
import prolalia.app.platform.NotFoundException;

/** Where recordings come in, and who may record there; {@link RecordingEndpoints} does the rest. */
public interface RecordingEndpoint {
    /** The address before {@code /recordings}, with names of its parts as a mapping has them. */
    String path();

    /** For a chunk, which may begin one. */
    RecordingRight mayRecord(Call call);

    /** For one that is thrown away. */
    RecordingRight mayDiscard(Call call);

    /**
     * Ends one.
     *
     * @param chunks how many it has; null: as many as came in
     * @return the name of a view, or what is written as JSON in a {@code ResponseEntity}
     */
    Object end(Call call, Integer chunks, HttpServletResponse response, Model model) throws IOException;

    /** A request as an endpoint reads it. @param path the parts of the address by their names */
    record Call(String recordingId, Map<String, String> path, HttpServletRequest request) {
        public String part(String name) {
            return path.get(name);
        }

        /** @throws NotFoundException where it isn't said: without it nothing is meant */
        public String parameter(String name) {
            return optional(name).orElseThrow(() -> new NotFoundException(name));
        }

        public Optional<String> optional(String name) {
            return Optional.ofNullable(request.getParameter(name));
        }

        public SignedInTeacher teacher() {
            if (request.getUserPrincipal() instanceof Authentication signedIn
                    && signedIn.getPrincipal() instanceof SignedInTeacher teacher) {
                return teacher;
            }
            throw new NotFoundException("teacher");
        }
    }
}
