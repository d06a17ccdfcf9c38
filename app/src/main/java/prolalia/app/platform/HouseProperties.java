package prolalia.app.platform;

import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import org.springframework.boot.context.properties.ConfigurationProperties;
import org.springframework.boot.context.properties.bind.DefaultValue;

/**
 * How this house was started.
 *
 * @param data the folder that holds everything that is kept
 * @param demo whether the demo data is made and a button enters as the demo teacher
 * @param rehearse whether, for the price of a few seconds of a processor, what is done first isn't slow
 * @param quiet a recording that sent nothing for this long isn't being recorded any more
 * @param brokenOff a spoken answer of which nothing came for this long is put together as far as it was said
 * @param passwordMemoryKb what hashing one password takes; less is for houses in which no password guards anything, as in tests
 * @param plainPort beside HTTPS, plain HTTP is answered here; 0: it isn't
 * @param hosts names by which this server is reached, beside those that it knows of itself
 */
@ConfigurationProperties("prolalia")
public record HouseProperties(
        @DefaultValue("data/school") Path data,
        @DefaultValue("false") boolean demo,
        @DefaultValue("false") boolean rehearse,
        @DefaultValue("5s") Duration quiet,
        @DefaultValue("60s") Duration brokenOff,
        @DefaultValue("16384") int passwordMemoryKb,
        @DefaultValue("0") int plainPort,
        @DefaultValue({}) List<String> hosts) {}
