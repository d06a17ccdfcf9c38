package prolalia.app.account;

import java.util.function.Supplier;
import org.springframework.security.core.context.DeferredSecurityContext;
import org.springframework.security.core.context.SecurityContext;

/** Looked up when somebody asks for it, once. */
final class DeferredOnce implements DeferredSecurityContext {
    private final Supplier<SecurityContext> look;
    private SecurityContext found;

    DeferredOnce(Supplier<SecurityContext> look) {
        this.look = look;
    }

    @Override
    public SecurityContext get() {
        if (found == null) {
            found = look.get();
        }
        return found;
    }

    @Override
    public boolean isGenerated() {
        return get().getAuthentication() == null;
    }
}
