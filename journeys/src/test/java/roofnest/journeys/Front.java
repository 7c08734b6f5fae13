package roofnest.journeys;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.GeneralSecurityException;
import java.security.KeyStore;
import java.security.cert.CertificateFactory;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;

import javax.net.ssl.SSLContext;
import javax.net.ssl.TrustManagerFactory;

/** Debian's nginx with TLS in front of instances, as {@code bin/front} starts it. */
final class Front implements AutoCloseable {
    private final int port;
    private final Process process;
    private final Path certificate;

    /** Instances are named by address and port; comes back when it answers. */
    Front(int port, Path data, String... instances) throws IOException {
        this.port = port;
        List<String> line = new ArrayList<>(List.of("../bin/front", String.valueOf(port)));
        line.addAll(List.of(instances));
        ProcessBuilder builder = new ProcessBuilder(line).redirectErrorStream(true);
        builder.environment().put("ROOFNEST_DATA", data.toString());
        process = builder.start();
        BufferedReader said = new BufferedReader(new InputStreamReader(process.getInputStream(), StandardCharsets.UTF_8));
        List<String> lines = new ArrayList<>();
        Path told = null;
        for (String each = said.readLine(); each != null; each = said.readLine()) {
            lines.add(each);
            if (each.startsWith("Certificate: ")) {
                told = Path.of(each.substring("Certificate: ".length()));
            }
            if (each.startsWith("https://")) {
                break;
            }
        }
        if (told == null) {
            throw new IOException("the front did not start: " + String.join("\n", lines));
        }
        certificate = told;
    }

    String url() {
        return "https://localhost:" + port;
    }

    /** Trusts the front's own certificate, and nobody else's. */
    SSLContext trust() throws IOException, GeneralSecurityException {
        KeyStore store = KeyStore.getInstance(KeyStore.getDefaultType());
        store.load(null, null);
        try (InputStream file = Files.newInputStream(certificate)) {
            store.setCertificateEntry("front", CertificateFactory.getInstance("X.509").generateCertificate(file));
        }
        TrustManagerFactory trusted = TrustManagerFactory.getInstance(TrustManagerFactory.getDefaultAlgorithm());
        trusted.init(store);
        SSLContext context = SSLContext.getInstance("TLS");
        context.init(null, trusted.getTrustManagers(), null);
        return context;
    }

    @Override
    public void close() {
        process.destroy();
        try {
            process.waitFor(10, TimeUnit.SECONDS);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }
}
