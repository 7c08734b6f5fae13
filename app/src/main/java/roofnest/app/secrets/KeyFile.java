package roofnest.app.secrets;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.PosixFilePermission;
import java.nio.file.attribute.PosixFilePermissions;
import java.security.GeneralSecurityException;
import java.util.EnumSet;
import java.util.Optional;
import java.util.Set;

import com.google.crypto.tink.InsecureSecretKeyAccess;
import com.google.crypto.tink.KeysetHandle;
import com.google.crypto.tink.TinkJsonProtoKeysetFormat;
import com.google.crypto.tink.aead.AeadConfig;
import com.google.crypto.tink.aead.PredefinedAeadParameters;

/** The file with the sealing keys, readable by its owner only; written whole or not at all. */
class KeyFile {
    private static final Set<PosixFilePermission> OWNER_ONLY = PosixFilePermissions.fromString("rw-------");

    private final Path path;

    KeyFile(Path path) throws GeneralSecurityException {
        AeadConfig.register();
        this.path = path.toAbsolutePath();
    }

    Path path() {
        return path;
    }

    boolean exists() {
        return Files.exists(path);
    }

    /** Empty when it is no file of keys, or may not be read. */
    Optional<KeysetHandle> read() {
        try {
            return Optional.of(TinkJsonProtoKeysetFormat.parseKeyset(Files.readString(path), InsecureSecretKeyAccess.get()));
        } catch (IOException | GeneralSecurityException | IllegalArgumentException e) {
            return Optional.empty();
        }
    }

    KeysetHandle make() throws GeneralSecurityException {
        KeysetHandle made = KeysetHandle.generateNew(PredefinedAeadParameters.AES256_GCM);
        write(made);
        return made;
    }

    /** Beside it first and onto the disk, then in its place: a machine that stops in between has the old one or the new one. */
    void write(KeysetHandle keys) throws GeneralSecurityException {
        String text = TinkJsonProtoKeysetFormat.serializeKeyset(keys, InsecureSecretKeyAccess.get());
        try {
            Files.createDirectories(path.getParent());
            Path beside = path.resolveSibling(path.getFileName() + ".new");
            Files.deleteIfExists(beside);
            Files.createFile(beside, PosixFilePermissions.asFileAttribute(OWNER_ONLY));
            try (FileChannel channel = FileChannel.open(beside, StandardOpenOption.WRITE)) {
                channel.write(StandardCharsets.UTF_8.encode(text));
                channel.force(true);
            }
            Files.move(beside, path, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Renames it, so that what may be the only copy of a key is never lost by a decision made in haste. */
    void putAside(long millis) {
        try {
            if (exists()) {
                Files.move(path, path.resolveSibling(path.getFileName() + ".aside-" + millis));
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    Optional<String> tooOpen() {
        try {
            Set<PosixFilePermission> others = EnumSet.noneOf(PosixFilePermission.class);
            others.addAll(exists() ? Files.getPosixFilePermissions(path) : OWNER_ONLY);
            others.removeAll(OWNER_ONLY);
            others.remove(PosixFilePermission.OWNER_EXECUTE);
            return others.isEmpty() ? Optional.empty() : Optional.of(PosixFilePermissions.toString(Files.getPosixFilePermissions(path)));
        } catch (IOException | UnsupportedOperationException e) {
            return Optional.empty();
        }
    }

    static KeysetHandle withAnother(KeysetHandle now) throws GeneralSecurityException {
        return KeysetHandle.newBuilder(now)
                .addEntry(KeysetHandle.generateEntryFromParameters(PredefinedAeadParameters.AES256_GCM).withRandomId().makePrimary())
                .build();
    }

    static KeysetHandle newestOf(KeysetHandle now) throws GeneralSecurityException {
        return KeysetHandle.newBuilder()
                .addEntry(KeysetHandle.importKey(now.getPrimary().getKey()).withFixedId(now.getPrimary().getId()).makePrimary()).build();
    }
}
