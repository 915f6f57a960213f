package org.yewledger.app.platform;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Bounds the bodies of requests that are no uploads, which have bounds of their own: little where
 * nobody need be signed in, and as much as ticking a hundred thousand postings takes elsewhere.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class RequestSizes extends OncePerRequestFilter {
  private static final long MOST_BYTES = 8L << 20;
  private static final long MOST_BYTES_OF_STRANGERS = 16L << 10;

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    String type = request.getContentType();
    if (type != null && type.startsWith(MediaType.MULTIPART_FORM_DATA_VALUE)) {
      chain.doFilter(request, response);
      return;
    }
    String path = request.getRequestURI();
    boolean open =
        path.equals("/api/session")
            || path.equals("/api/founding")
            || path.startsWith("/api/links/");
    long most = open ? MOST_BYTES_OF_STRANGERS : MOST_BYTES;
    if (request.getContentLengthLong() > most) {
      refuse(response);
      return;
    }
    chain.doFilter(new Bounded(request, most), response);
  }

  private static void refuse(HttpServletResponse response) throws IOException {
    response.setStatus(HttpStatus.CONTENT_TOO_LARGE.value());
    response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
    response
        .getWriter()
        .write(
            "{\"type\":\"urn:yew:problem:request-too-large\",\"status\":413,\"detail\":\"The request"
                + " is larger than this address takes. Nothing was changed; do it in parts.\"}");
  }

  /** A body without a length said beforehand is cut off where it becomes too long. */
  private static final class Bounded extends HttpServletRequestWrapper {
    private final long most;

    Bounded(HttpServletRequest request, long most) {
      super(request);
      this.most = most;
    }

    @Override
    public ServletInputStream getInputStream() throws IOException {
      ServletInputStream body = super.getInputStream();
      return new ServletInputStream() {
        private long read;

        @Override
        public int read() throws IOException {
          int next = body.read();
          if (next >= 0 && ++read > most) {
            throw new IOException("the request is too large");
          }
          return next;
        }

        @Override
        public boolean isFinished() {
          return body.isFinished();
        }

        @Override
        public boolean isReady() {
          return body.isReady();
        }

        @Override
        public void setReadListener(ReadListener listener) {
          body.setReadListener(listener);
        }
      };
    }
  }
}
