package prolalia.app.classroom;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.security.GeneralSecurityException;
import java.security.MessageDigest;
import java.security.SecureRandom;
import java.util.Base64;
import javax.crypto.Mac;
import javax.crypto.spec.SecretKeySpec;
import org.springframework.security.crypto.encrypt.AesBytesEncryptor;
import org.springframework.security.crypto.encrypt.AesBytesEncryptor.CipherAlgorithm;
import org.springframework.security.crypto.encrypt.BytesEncryptor;
import org.springframework.security.crypto.keygen.KeyGenerators;
import org.springframework.stereotype.Component;
import prolalia.app.platform.DataFolder;
import prolalia.core.classroom.PictureKey;

/**
 * Seals picture keys (AES-256-GCM) with a secret of this school, which lies beside the database and not in it: cards can be
 * printed again, and a database that went astray tells no key. A hash would tell as much to whoever has it: there are only 12,144
 * keys to try.
 */
@Component
class KeySeal {
    private static final String FILE = "school-secret";
    private static final int SECRET_BYTES = 32;
    private static final int NONCE_BYTES = 16;

    private static final String MAC = "HmacSHA256";

    private final BytesEncryptor seal;
    private final SecretKeySpec signing;

    KeySeal(DataFolder folder) throws IOException {
        byte[] secret = secret(folder.root().resolve(FILE));
        signing = new SecretKeySpec(secret, MAC);
        seal = new AesBytesEncryptor(
                new SecretKeySpec(secret, "AES"), KeyGenerators.secureRandom(NONCE_BYTES), CipherAlgorithm.GCM);
    }

    private static byte[] secret(Path file) throws IOException {
        if (!Files.exists(file)) {
            byte[] secret = new byte[SECRET_BYTES];
            new SecureRandom().nextBytes(secret);
            Path made = file.resolveSibling(FILE + ".new");
            Files.deleteIfExists(made);
            if (file.getFileSystem().supportedFileAttributeViews().contains("posix")) {
                Files.createFile(
                        made, PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rw-------")));
            }
            Files.write(made, secret);
            Files.move(made, file);
        }
        return Files.readAllBytes(file);
    }

    /** What shows that a text is from here (RFC 2104). */
    String sign(String text) {
        try {
            Mac mac = Mac.getInstance(MAC);
            mac.init(signing);
            return Base64.getUrlEncoder()
                    .withoutPadding()
                    .encodeToString(mac.doFinal(("device " + text).getBytes(StandardCharsets.UTF_8)));
        } catch (GeneralSecurityException impossible) {
            throw new IllegalStateException("Every Java has " + MAC, impossible);
        }
    }

    boolean isSigned(String text, String signature) {
        return MessageDigest.isEqual(
                sign(text).getBytes(StandardCharsets.UTF_8), signature.getBytes(StandardCharsets.UTF_8));
    }

    String close(PictureKey key) {
        return Base64.getEncoder().encodeToString(seal.encrypt(key.written().getBytes(StandardCharsets.UTF_8)));
    }

    /** @throws IllegalStateException if it was sealed with another secret, as when the database came here alone */
    PictureKey open(String sealed) {
        return PictureKey.read(new String(seal.decrypt(Base64.getDecoder().decode(sealed)), StandardCharsets.UTF_8))
                .orElseThrow();
    }
}
