package prolalia.app.school;

import jakarta.validation.constraints.AssertTrue;
import jakarta.validation.constraints.Digits;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.util.Objects;

/**
 * The school's settings as they are typed; what is wrong with a field is said in the words {@code school.fault.} and its name.
 *
 * @param minutes of the longest recording
 * @param keep months that what students did is kept
 * @param timeZone an IANA name; blank: the machine's
 * @param address where students reach this server; blank: worked out from the request
 */
record SchoolForm(
        @Size(max = 120) String name,

        @NotNull @Digits(integer = 2, fraction = 0) @Min(1) @Max(60)
        String minutes,

        @NotNull @Digits(integer = 3, fraction = 0) @Min(1) @Max(120)
        String keep,

        @Pattern(regexp = SchoolForm.ADDRESS) String address,

        String timeZone) {
    private static final String LABEL = "[A-Za-z0-9]([A-Za-z0-9-]*[A-Za-z0-9])?";

    /** Such as a server can be reached by: names of RFC 1123 (2.1), or an address of IPv6 (RFC 3986, 3.2.2). */
    private static final String ADDRESS =
            "(https?://(\\[[0-9a-fA-F:.]+\\]|" + LABEL + "(\\." + LABEL + ")*)(:[0-9]{1,5})?(/[^?#\\s]*)?)?";

    SchoolForm {
        name = Objects.requireNonNullElse(name, "").strip();
        minutes = Objects.requireNonNullElse(minutes, "").strip();
        keep = Objects.requireNonNullElse(keep, Integer.toString(SchoolSettings.AT_FIRST.keepMonths()))
                .strip();
        timeZone = Objects.requireNonNullElse(timeZone, "").strip();
        address = Objects.requireNonNullElse(address, "").strip().replaceAll("/+$", "");
    }

    static SchoolForm of(SchoolSettings settings) {
        return new SchoolForm(
                settings.name(),
                Long.toString(settings.longestRecordingMinutes()),
                Integer.toString(settings.keepMonths()),
                settings.address(),
                settings.timeZone());
    }

    @AssertTrue
    public boolean isTimeZoneKnown() {
        return timeZone.isEmpty() || SchoolTime.isZone(timeZone);
    }

    /** What they mean, once nothing is wrong with them. */
    SchoolSettings settings() {
        return new SchoolSettings(
                name,
                Integer.parseInt(minutes) * 60_000L,
                Integer.parseInt(keep),
                address.isEmpty() ? null : address,
                timeZone.isEmpty() ? null : timeZone);
    }
}
