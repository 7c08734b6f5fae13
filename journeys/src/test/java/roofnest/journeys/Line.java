package roofnest.journeys;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;

/** A line to the application that can be cut and mended: a phone goes in and out of the attic. */
final class Line implements AutoCloseable {
    private final ServerSocket door;
    private final String host;
    private final int port;
    private final Set<Socket> open = ConcurrentHashMap.newKeySet();
    private volatile boolean cut;

    Line(String server) throws IOException {
        host = server.split(":")[0];
        port = Integer.parseInt(server.split(":")[1]);
        door = new ServerSocket(0, 50, InetAddress.getLoopbackAddress());
        start(this::accept);
    }

    String address() {
        return "127.0.0.1:" + door.getLocalPort();
    }

    /** Everything that is under way breaks off, and nobody new is let through. */
    void cut() {
        cut = true;
        open.forEach(Line::end);
    }

    void mend() {
        cut = false;
    }

    private void accept() {
        while (!door.isClosed()) {
            try {
                Socket from = door.accept();
                open.add(from);
                if (cut) {
                    end(from);
                    continue;
                }
                Socket to = new Socket(host, port);
                open.add(to);
                start(() -> pump(from, to));
                start(() -> pump(to, from));
            } catch (IOException over) {
                // Whoever called hears nothing, which is what is being tried.
            }
        }
    }

    private static void start(Runnable work) {
        Thread thread = new Thread(work, "line");
        thread.setDaemon(true);
        thread.start();
    }

    private void pump(Socket from, Socket to) {
        try (InputStream in = from.getInputStream(); OutputStream out = to.getOutputStream()) {
            in.transferTo(out);
        } catch (IOException over) {
            // The other side ended, or the line was cut.
        } finally {
            end(from);
            end(to);
            open.remove(from);
            open.remove(to);
        }
    }

    private static void end(Socket socket) {
        try {
            socket.close();
        } catch (IOException over) {
            // It is closed, one way or the other.
        }
    }

    @Override
    public void close() throws IOException {
        cut();
        door.close();
    }
}
