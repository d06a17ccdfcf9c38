package prolalia.app.code;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import prolalia.app.platform.Ids;

/** Files with codes that were made for somebody who hasn't taken them as yet. They are there for a while, and can be made again. */
@Component
class GeneratedFiles {
    private static final Logger LOG = LoggerFactory.getLogger(GeneratedFiles.class);
    private static final Duration KEPT = Duration.ofMinutes(30);
    private static final int MOST = 60;

    private final Cache<String, Made> files = Caffeine.newBuilder()
            .maximumSize(MOST)
            .expireAfterWrite(KEPT)
            .removalListener((String token, Made made, com.github.benmanes.caffeine.cache.RemovalCause cause) ->
                    delete(made.file()))
            .build();

    /** @param name with which it is saved @param type of its content, as media types are named */
    record Made(String lessonId, Path file, String name, String type) {}

    private static void delete(Path file) {
        try {
            Files.deleteIfExists(file);
        } catch (IOException stays) {
            // It is in the folder of what is temporary, which is swept.
            LOG.debug("{} stays for now", file);
        }
    }

    /** Answers what it is asked for by. */
    String keep(Made made) {
        String token = Ids.newToken();
        files.put(token, made);
        return token;
    }

    Optional<Made> find(String lessonId, String token) {
        return Optional.ofNullable(files.getIfPresent(token))
                .filter(made -> made.lessonId().equals(lessonId));
    }
}
