package org.yewledger.app.token;

import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.HexFormat;
import org.springframework.http.MediaType;
import org.springframework.util.DigestUtils;

/**
 * A request whose body was read already, to know it again. The parts of an upload are left to whom
 * they are for; of these only the length is known.
 */
final class ReadBody extends HttpServletRequestWrapper {
  private final boolean isUpload;
  private final byte[] body;

  ReadBody(HttpServletRequest request) throws IOException {
    super(request);
    String type = request.getContentType();
    this.isUpload = type != null && type.startsWith(MediaType.MULTIPART_FORM_DATA_VALUE);
    this.body = isUpload ? new byte[0] : request.getInputStream().readAllBytes();
  }

  /** The same for the same body. */
  String hash() {
    return isUpload
        ? "upload of " + getContentLengthLong()
        : HexFormat.of().formatHex(DigestUtils.md5Digest(body));
  }

  @Override
  public ServletInputStream getInputStream() throws IOException {
    if (isUpload) {
      return super.getInputStream();
    }
    var in = new ByteArrayInputStream(body);
    return new ServletInputStream() {
      @Override
      public int read() {
        return in.read();
      }

      @Override
      public boolean isFinished() {
        return in.available() == 0;
      }

      @Override
      public boolean isReady() {
        return true;
      }

      @Override
      public void setReadListener(ReadListener listener) {
        throw new UnsupportedOperationException("a body that was read is there at once");
      }
    };
  }
}
