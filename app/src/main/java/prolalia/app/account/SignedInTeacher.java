package prolalia.app.account;

import java.util.Collection;
import java.util.stream.Stream;
import org.springframework.security.core.CredentialsContainer;
import org.springframework.security.core.GrantedAuthority;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.security.core.userdetails.UserDetails;

/** The teacher behind a request. */
public class SignedInTeacher implements UserDetails, CredentialsContainer {
    private static final long serialVersionUID = 1;

    private final String id;
    private final String signInName;
    private final String fullName;
    private final Role role;
    private String passwordHash;

    SignedInTeacher(String id, String signInName, String fullName, Role role, String passwordHash) {
        this.id = id;
        this.signInName = signInName;
        this.fullName = fullName;
        this.role = role;
        this.passwordHash = passwordHash;
    }

    public String id() {
        return id;
    }

    /** As whom she acts. */
    public Actor.Teacher actor() {
        return new Actor.Teacher(id, role);
    }

    public String fullName() {
        return fullName;
    }

    public Role role() {
        return role;
    }

    public String firstName() {
        return fullName.split(" ", 2)[0];
    }

    @Override
    public Collection<? extends GrantedAuthority> getAuthorities() {
        return Stream.of(
                        Stream.of("ROLE_STAFF"),
                        role.teaches() ? Stream.of("ROLE_TEACHER") : Stream.<String>of(),
                        role == Role.ADMIN ? Stream.of("ROLE_ADMIN") : Stream.<String>of())
                .flatMap(each -> each)
                .map(SimpleGrantedAuthority::new)
                .toList();
    }

    @Override
    public String getPassword() {
        return passwordHash;
    }

    @Override
    public String getUsername() {
        return signInName;
    }

    /** Whoever has the teacher of a request in hand needs no hash of the password. */
    @Override
    public void eraseCredentials() {
        passwordHash = null;
    }
}
