package roofnest.app.secrets;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.PosixFilePermissions;
import java.security.GeneralSecurityException;

import org.springframework.stereotype.Component;

import com.google.crypto.tink.Aead;
import com.google.crypto.tink.InsecureSecretKeyAccess;
import com.google.crypto.tink.KeysetHandle;
import com.google.crypto.tink.RegistryConfiguration;
import com.google.crypto.tink.TinkJsonProtoKeysetFormat;
import com.google.crypto.tink.aead.AeadConfig;
import com.google.crypto.tink.aead.PredefinedAeadParameters;

import roofnest.app.RoofNestProperties;

/**
 * Seals and opens with AES-256-GCM under a key that is kept in a file of its own, readable by its owner only. The
 * associated data says what a secret belongs to, so that a sealed value copied to another row does not open there.
 */
@Component
class Sealer {
    private final Aead aead;

    Sealer(RoofNestProperties properties) throws GeneralSecurityException, IOException {
        AeadConfig.register();
        aead = key(properties.keyFile()).getPrimitive(RegistryConfiguration.get(), Aead.class);
    }

    byte[] seal(String secret, String belongsTo) {
        try {
            return aead.encrypt(secret.getBytes(StandardCharsets.UTF_8), belongsTo.getBytes(StandardCharsets.UTF_8));
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException("sealing failed for " + belongsTo, e);
        }
    }

    String open(byte[] sealed, String belongsTo) {
        try {
            return new String(aead.decrypt(sealed, belongsTo.getBytes(StandardCharsets.UTF_8)), StandardCharsets.UTF_8);
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException("the seal of " + belongsTo + " does not open: wrong key file, or altered", e);
        }
    }

    private static KeysetHandle key(Path file) throws GeneralSecurityException, IOException {
        if (Files.exists(file)) {
            return TinkJsonProtoKeysetFormat.parseKeyset(Files.readString(file), InsecureSecretKeyAccess.get());
        }
        KeysetHandle made = KeysetHandle.generateNew(PredefinedAeadParameters.AES256_GCM);
        if (file.toAbsolutePath().getParent() != null) {
            Files.createDirectories(file.toAbsolutePath().getParent());
        }
        Files.createFile(file, PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rw-------")));
        Files.writeString(file, TinkJsonProtoKeysetFormat.serializeKeyset(made, InsecureSecretKeyAccess.get()), StandardOpenOption.WRITE);
        return made;
    }
}
