package roofnest.standins;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;

/**
 * A line on loopback that can be cut and mended: between a phone that goes in and out of the attic and the application, or between the
 * application and its database.
 */
public final class Line implements AutoCloseable {
    private final ServerSocket door;
    private final String host;
    private final int port;
    private final Set<Socket> open = ConcurrentHashMap.newKeySet();
    private volatile boolean cut;

    /** @param server what the line leads to, as address:port */
    public Line(String server) throws IOException {
        host = server.split(":")[0];
        port = Integer.parseInt(server.split(":")[1]);
        door = new ServerSocket(0, 50, InetAddress.getLoopbackAddress());
        start(this::accept);
    }

    /** By which it is entered, as address:port. */
    public String address() {
        return "127.0.0.1:" + door.getLocalPort();
    }

    /** Everything that is under way breaks off, and nobody new is let through. */
    public void cut() {
        cut = true;
        open.forEach(Line::end);
    }

    /** Whoever calls from here on is let through. */
    public void mend() {
        cut = false;
    }

    private void accept() {
        while (!door.isClosed()) {
            try {
                connect(door.accept());
            } catch (IOException over) {
                // Whoever called hears nothing, which is what is being tried.
            }
        }
    }

    private void connect(Socket from) {
        open.add(from);
        try {
            Socket to = new Socket(host, port);
            open.add(to);
            // Looked at after both are listed: a cut in between ends them by the one or the other.
            if (cut) {
                end(from);
                end(to);
            }
            start(() -> pump(from, to));
            start(() -> pump(to, from));
        } catch (IOException nobodyThere) {
            end(from);
            open.remove(from);
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
