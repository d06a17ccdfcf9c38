package prolalia.app.platform;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.servlet.mvc.method.RequestMappingInfo;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;

/**
 * Looks for who answers among those whose path begins with the word that was asked for. Looked for among all four hundred, it is a
 * third of the time that a page takes which lies in memory.
 */
class HandlersByFirstWord extends RequestMappingHandlerMapping {
    private static final String ANY = "";

    private final Map<RequestMappingInfo, Set<String>> words = new ConcurrentHashMap<>();

    @Override
    protected HandlerMethod lookupHandlerMethod(String path, HttpServletRequest request) throws Exception {
        return super.lookupHandlerMethod(path, new Asked(request, firstWord(path)));
    }

    @Override
    protected RequestMappingInfo getMatchingMapping(RequestMappingInfo mapping, HttpServletRequest request) {
        if (request instanceof Asked asked && !asked.word.equals(ANY)) {
            Set<String> mine = words.computeIfAbsent(mapping, HandlersByFirstWord::firstWords);
            if (!mine.contains(asked.word) && !mine.contains(ANY)) {
                return null;
            }
        }
        return super.getMatchingMapping(mapping, request);
    }

    private static Set<String> firstWords(RequestMappingInfo mapping) {
        return mapping.getPatternValues().stream()
                .map(HandlersByFirstWord::firstWord)
                .collect(Collectors.toSet());
    }

    /** {@link #ANY} where it is written in such a way, or leaves so much open, that it may be each. */
    private static String firstWord(String path) {
        int end = path.indexOf('/', 1);
        String word = !path.startsWith("/") ? ANY : path.substring(1, end < 0 ? path.length() : end);
        return word.chars().allMatch(c -> Character.isLetterOrDigit(c) || c == '-' || c == '.') ? word : ANY;
    }

    /** A request whose method isn't asked of all that stand around it, once for each of those who might answer. */
    private static final class Asked extends HttpServletRequestWrapper {
        private final String word;
        private final String method;

        private Asked(HttpServletRequest request, String word) {
            super(request);
            this.word = word;
            method = request.getMethod();
        }

        @Override
        public String getMethod() {
            return method;
        }
    }
}
