package prolalia.app.account;

import java.util.Collection;
import java.util.List;
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
    private final boolean paused;
    private final boolean phone;
    private String passwordHash;

    /**
     * @param paused whether, after wrong passwords, no password is looked at for a while
     */
    SignedInTeacher(String id, String signInName, String fullName, String passwordHash, boolean paused) {
        this(id, signInName, fullName, passwordHash, paused, false);
    }

    private SignedInTeacher(
            String id, String signInName, String fullName, String passwordHash, boolean paused, boolean phone) {
        this.id = id;
        this.signInName = signInName;
        this.fullName = fullName;
        this.passwordHash = passwordHash;
        this.paused = paused;
        this.phone = phone;
    }

    /** The same teacher at a phone that is the microphone of a read-through, and may do nothing else. */
    public SignedInTeacher atPhone() {
        return new SignedInTeacher(id, signInName, fullName, null, paused, true);
    }

    public boolean isPhone() {
        return phone;
    }

    public String id() {
        return id;
    }

    public String fullName() {
        return fullName;
    }

    public String firstName() {
        return fullName.split(" ", 2)[0];
    }

    @Override
    public Collection<? extends GrantedAuthority> getAuthorities() {
        return List.of(new SimpleGrantedAuthority(phone ? "ROLE_PHONE" : "ROLE_TEACHER"));
    }

    @Override
    public boolean isAccountNonLocked() {
        return !paused;
    }

    @Override
    public String getPassword() {
        return passwordHash;
    }

    @Override
    public String getUsername() {
        return signInName;
    }

    /** Sessions are stored; the hash of the password isn't stored with them. */
    @Override
    public void eraseCredentials() {
        passwordHash = null;
    }
}
