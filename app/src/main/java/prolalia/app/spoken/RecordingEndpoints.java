package prolalia.app.spoken;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.lang.reflect.Method;
import java.util.List;
import java.util.Map;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;
import org.springframework.util.ReflectionUtils;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMethod;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.servlet.mvc.method.RequestMappingInfo;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;
import prolalia.app.platform.TooLargeException;
import prolalia.app.spoken.RecordingEndpoint.Call;

/**
 * What recorders talk to, the same wherever they record: {@code PUT …/recordings/{recordingId}/chunks/{number}}, as often as it
 * takes, {@code POST …/recordings/{recordingId}/end}, and {@code DELETE …/recordings/{recordingId}} for a false start.
 */
@Component
class RecordingEndpoints {
    private static final String ONE = "/recordings/{recordingId}";

    RecordingEndpoints(
            @Qualifier("requestMappingHandlerMapping") RequestMappingHandlerMapping mappings,
            ChunkedRecordings recordings,
            List<RecordingEndpoint> endpoints) {
        for (RecordingEndpoint endpoint : endpoints) {
            Protocol protocol = new Protocol(endpoint, recordings);
            String one = endpoint.path() + ONE;
            map(mappings, protocol, "chunk", RequestMethod.PUT, one + "/chunks/{number}");
            map(mappings, protocol, "end", RequestMethod.POST, one + "/end");
            map(mappings, protocol, "discard", RequestMethod.DELETE, one);
        }
    }

    private static void map(
            RequestMappingHandlerMapping mappings, Protocol protocol, String name, RequestMethod method, String path) {
        Method handler = List.of(ReflectionUtils.getDeclaredMethods(Protocol.class)).stream()
                .filter(each -> each.getName().equals(name))
                .findFirst()
                .orElseThrow();
        mappings.registerMapping(
                RequestMappingInfo.paths(path)
                        .methods(method)
                        .options(mappings.getBuilderConfiguration())
                        .build(),
                protocol,
                handler);
    }

    /** The three addresses of one endpoint. */
    static final class Protocol {
        private final RecordingEndpoint endpoint;
        private final ChunkedRecordings recordings;

        Protocol(RecordingEndpoint endpoint, ChunkedRecordings recordings) {
            this.endpoint = endpoint;
            this.recordings = recordings;
        }

        /** Answers when the chunk is on the disk. */
        @ResponseBody
        Map<String, Integer> chunk(
                @PathVariable Map<String, String> path,
                @PathVariable String recordingId,
                @PathVariable int number,
                @RequestHeader(name = HttpHeaders.CONTENT_TYPE, defaultValue = "application/octet-stream") String type,
                HttpServletRequest request)
                throws IOException {
            RecordingRight right = endpoint.mayRecord(new Call(recordingId, path, request));
            recordings.receive(right, recordingId, type, number, request.getInputStream());
            return Map.of("stored", number);
        }

        Object end(
                @PathVariable Map<String, String> path,
                @PathVariable String recordingId,
                @RequestParam(required = false) Integer chunks,
                HttpServletRequest request,
                HttpServletResponse response,
                Model model)
                throws IOException {
            return endpoint.end(new Call(recordingId, path, request), chunks, response, model);
        }

        @ResponseStatus(HttpStatus.NO_CONTENT)
        void discard(
                @PathVariable Map<String, String> path, @PathVariable String recordingId, HttpServletRequest request) {
            recordings.discard(endpoint.mayDiscard(new Call(recordingId, path, request)), recordingId);
        }

        @ExceptionHandler(TooLargeException.class)
        ResponseEntity<Void> tooLarge() {
            return ResponseEntity.status(HttpStatus.CONTENT_TOO_LARGE).build();
        }
    }
}
