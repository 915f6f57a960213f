package org.yewledger.bank;

import java.net.URI;
import java.net.URISyntaxException;
import java.util.List;
import java.util.Set;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/**
 * Where a person may be sent back to: a bank sends nobody to an address that was not registered
 * with it. This machine itself is always registered, since that is where the stand-ins are for.
 */
@Component
class ReturnAddresses {
  private static final Set<String> THIS_MACHINE = Set.of("127.0.0.1", "localhost", "[::1]");

  private final List<String> registered;

  /**
   * @param registered origins, such as {@code https://books.example}
   */
  ReturnAddresses(@Value("${bank.return-origins}") List<String> registered) {
    this.registered = registered;
  }

  /**
   * @throws BankRefusal unless the address is of a registered origin
   */
  String require(String address) {
    try {
      URI uri = new URI(address);
      boolean web = "http".equals(uri.getScheme()) || "https".equals(uri.getScheme());
      if (web && uri.getHost() != null && uri.getUserInfo() == null && isRegistered(uri)) {
        return address;
      }
    } catch (URISyntaxException e) {
      // Told below, as any other address that is not registered.
    }
    throw BankRefusal.formatError("The address to return to is not registered.");
  }

  private boolean isRegistered(URI uri) {
    String origin =
        uri.getScheme() + "://" + uri.getHost() + (uri.getPort() < 0 ? "" : ":" + uri.getPort());
    return THIS_MACHINE.contains(uri.getHost()) || registered.contains(origin);
  }
}
