package org.yewledger.app.connection;

import java.io.FilterInputStream;
import java.io.IOException;
import java.io.InputStream;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatusCode;
import org.springframework.http.client.ClientHttpResponse;

/** A bank's answer, of which no more is read than any page of lines is long. */
final class BoundedAnswer implements ClientHttpResponse {
  static final long MOST_BYTES = 16L << 20;

  private final ClientHttpResponse answer;

  BoundedAnswer(ClientHttpResponse answer) {
    this.answer = answer;
  }

  @Override
  public HttpStatusCode getStatusCode() throws IOException {
    return answer.getStatusCode();
  }

  @Override
  public String getStatusText() throws IOException {
    return answer.getStatusText();
  }

  @Override
  public HttpHeaders getHeaders() {
    return answer.getHeaders();
  }

  @Override
  public InputStream getBody() throws IOException {
    return new FilterInputStream(answer.getBody()) {
      private long left = MOST_BYTES;

      @Override
      public int read() throws IOException {
        int next = super.read();
        count(next < 0 ? 0 : 1);
        return next;
      }

      @Override
      public int read(byte[] into, int from, int length) throws IOException {
        int count = super.read(into, from, length);
        count(Math.max(count, 0));
        return count;
      }

      private void count(int read) throws IOException {
        left -= read;
        if (left < 0) {
          throw new IOException("the bank's answer has no end");
        }
      }
    };
  }

  @Override
  public void close() {
    answer.close();
  }
}
