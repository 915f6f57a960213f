package org.yewledger.app.platform;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.security.SecureRandom;
import java.util.Base64;
import org.springframework.core.io.Resource;
import org.springframework.security.web.header.HeaderWriter;
import org.springframework.util.StreamUtils;
import org.springframework.web.servlet.resource.ResourceTransformer;
import org.springframework.web.servlet.resource.ResourceTransformerChain;
import org.springframework.web.servlet.resource.TransformedResource;

/**
 * What a page may load and run: its own files, and style elements that carry the nonce of this one
 * answer, as the primitives of the interface write them (Content Security Policy Level 3, §6.7.3).
 */
final class ContentPolicy implements HeaderWriter, ResourceTransformer {
  /** Stands in the page where the nonce goes; the interface's build writes it. */
  static final String PLACE = "nonce-of-this-answer";

  private static final String NAME = "Content-Security-Policy";
  private static final String NONCE = ContentPolicy.class.getName() + ".nonce";
  private static final SecureRandom RANDOM = new SecureRandom();

  @Override
  public void writeHeaders(HttpServletRequest request, HttpServletResponse response) {
    if (response.containsHeader(NAME)) {
      // What comes from strangers is answered with less than a page may do.
      return;
    }
    response.setHeader(
        NAME,
        "default-src 'none'; script-src 'self'; style-src 'self' 'nonce-"
            + nonce(request)
            + "'; font-src 'self'; img-src 'self' data:; connect-src 'self'; base-uri 'none';"
            + " form-action 'self'; frame-ancestors 'none'");
  }

  /** Writes the nonce into the page. */
  @Override
  public Resource transform(
      HttpServletRequest request, Resource resource, ResourceTransformerChain chain)
      throws IOException {
    Resource page = chain.transform(request, resource);
    if (!"index.html".equals(page.getFilename())) {
      return page;
    }
    String html = StreamUtils.copyToString(page.getInputStream(), StandardCharsets.UTF_8);
    return new TransformedResource(
        page, html.replace(PLACE, nonce(request)).getBytes(StandardCharsets.UTF_8));
  }

  private static String nonce(HttpServletRequest request) {
    if (request.getAttribute(NONCE) instanceof String nonce) {
      return nonce;
    }
    byte[] bytes = new byte[16];
    RANDOM.nextBytes(bytes);
    String nonce = Base64.getUrlEncoder().withoutPadding().encodeToString(bytes);
    request.setAttribute(NONCE, nonce);
    return nonce;
  }
}
