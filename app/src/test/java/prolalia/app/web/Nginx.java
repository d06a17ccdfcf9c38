package prolalia.app.web;

import java.io.IOException;
import java.net.ServerSocket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.TimeUnit;

/** Debian's nginx before a server, as docs/proxy.md has it, which shows it under a path. */
public final class Nginx implements AutoCloseable {
    private final Process process;
    private final String base;

    /** @param under the path, with a slash first @param port of the server, on this machine */
    public Nginx(String under, int port) throws Exception {
        Path folder = Files.createTempDirectory("nginx");
        int own;
        try (ServerSocket free = new ServerSocket(0)) {
            own = free.getLocalPort();
        }
        base = "http://localhost:" + own + under;
        Files.writeString(folder.resolve("nginx.conf"), """
                pid nginx.pid;
                error_log stderr;
                events {}
                http {
                    access_log off;
                    client_body_temp_path body; proxy_temp_path proxy; fastcgi_temp_path f; uwsgi_temp_path u; scgi_temp_path s;
                    server {
                        listen 127.0.0.1:%d;
                        client_max_body_size 4g;
                        location %s/ {
                            proxy_pass http://127.0.0.1:%d;
                            proxy_http_version 1.1;
                            proxy_set_header Host $http_host;
                            proxy_set_header Connection "";
                            proxy_set_header X-Forwarded-For $remote_addr;
                            proxy_set_header X-Forwarded-Proto $scheme;
                            proxy_set_header X-Forwarded-Port $server_port;
                            proxy_request_buffering off;
                            proxy_read_timeout 130s;
                        }
                    }
                }
                """.formatted(own, under, port));
        Path log = folder.resolve("log");
        process = new ProcessBuilder(List.of(
                        "/usr/sbin/nginx", "-p", folder.toString(), "-c", folder + "/nginx.conf", "-g", "daemon off;"))
                .redirectErrorStream(true)
                .redirectOutput(log.toFile())
                .start();
        if (process.waitFor(300, TimeUnit.MILLISECONDS)) {
            throw new IOException("nginx didn't start:\n" + Files.readString(log));
        }
    }

    /** Where the server is found through it, without a slash at the end. */
    public String base() {
        return base;
    }

    @Override
    public void close() {
        process.destroy();
    }
}
