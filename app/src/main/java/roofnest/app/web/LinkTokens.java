package roofnest.app.web;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.security.SecureRandom;
import java.util.Base64;

import org.springframework.stereotype.Component;

/** Unguessable words for links that need no log-in. Only their hashes are kept, so that the database opens none of them. */
@Component
public class LinkTokens {
    private static final int BYTES = 24;

    private final SecureRandom random;

    LinkTokens(SecureRandom random) {
        this.random = random;
    }

    public String fresh() {
        byte[] bytes = new byte[BYTES];
        random.nextBytes(bytes);
        return Base64.getUrlEncoder().withoutPadding().encodeToString(bytes);
    }

    public byte[] hash(String token) {
        try {
            return MessageDigest.getInstance("SHA-256").digest(token.getBytes(StandardCharsets.UTF_8));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }
}
