package prolalia.app.school;

import java.time.ZoneId;
import java.util.Set;
import java.util.TimeZone;
import java.util.TreeSet;

/**
 * The school's time. One server serves one school: its zone is the default of this whole program, by which every day and hour is
 * told and understood.
 */
final class SchoolTime {
    private static final TimeZone OF_MACHINE = TimeZone.getDefault();

    private SchoolTime() {}

    /** @param zone an IANA name; null: the machine's */
    static void is(String zone) {
        TimeZone.setDefault(zone != null && isZone(zone) ? TimeZone.getTimeZone(ZoneId.of(zone)) : OF_MACHINE);
    }

    static boolean isZone(String name) {
        return ZoneId.getAvailableZoneIds().contains(name);
    }

    /** Those that are named by a place. */
    static Set<String> zones() {
        Set<String> zones = new TreeSet<>(ZoneId.getAvailableZoneIds());
        zones.removeIf(zone -> !zone.contains("/") || zone.startsWith("Etc/") || zone.startsWith("SystemV/"));
        return zones;
    }
}
