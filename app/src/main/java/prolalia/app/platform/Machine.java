package prolalia.app.platform;

import com.sun.management.OperatingSystemMXBean;
import java.lang.management.ManagementFactory;

/** What the machine has. */
public final class Machine {
    private Machine() {}

    /** Memory of all of it, or of the container, in MB. */
    public static long memoryMb() {
        return ManagementFactory.getPlatformMXBean(OperatingSystemMXBean.class).getTotalMemorySize() >> 20;
    }

    public static int processors() {
        return Runtime.getRuntime().availableProcessors();
    }
}
