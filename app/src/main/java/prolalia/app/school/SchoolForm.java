package prolalia.app.school;

import jakarta.validation.constraints.Digits;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.util.Objects;
import org.hibernate.validator.constraints.URL;

/**
 * The school's settings as they are typed; what is wrong with a field is said in the words {@code school.fault.} and its name.
 *
 * @param minutes of the longest recording
 * @param keep months that what students did is kept
 * @param address where students reach this server; blank: worked out from the request
 */
record SchoolForm(
        @Size(max = 120) String name,

        @NotNull @Digits(integer = 2, fraction = 0) @Min(1) @Max(60)
        String minutes,

        @NotNull @Digits(integer = 3, fraction = 0) @Min(1) @Max(120)
        String keep,

        @URL @Pattern(regexp = "(https?://[^/?#]+[^?#]*)?") String address) {
    SchoolForm {
        name = Objects.requireNonNullElse(name, "").strip();
        minutes = Objects.requireNonNullElse(minutes, "").strip();
        keep = Objects.requireNonNullElse(keep, Integer.toString(SchoolSettings.AT_FIRST.keepMonths()))
                .strip();
        address = Objects.requireNonNullElse(address, "").strip().replaceAll("/+$", "");
    }

    static SchoolForm of(SchoolSettings settings) {
        return new SchoolForm(
                settings.name(),
                Long.toString(settings.longestRecordingMinutes()),
                Integer.toString(settings.keepMonths()),
                settings.address());
    }

    /** What they mean, once nothing is wrong with them. */
    SchoolSettings settings() {
        return new SchoolSettings(
                name, Integer.parseInt(minutes) * 60_000L, Integer.parseInt(keep), address.isEmpty() ? null : address);
    }
}
