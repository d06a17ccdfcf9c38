package prolalia.app.listening;

import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.server.ResponseStatusException;
import prolalia.core.remark.RemarkPlace;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/** Where in an answer a remark stands, as pages send it. */
@Component
class RemarkPlaces {
    private final JsonMapper json;

    RemarkPlaces(JsonMapper json) {
        this.json = json;
    }

    /** @param written JSON; empty: the whole answer */
    RemarkPlace read(String written) {
        if (written.isBlank()) {
            return RemarkPlace.WHOLE;
        }
        try {
            return json.readValue(written, RemarkPlace.class);
        } catch (JacksonException | IllegalArgumentException senseless) {
            throw new ResponseStatusException(HttpStatus.BAD_REQUEST, "place", senseless);
        }
    }
}
