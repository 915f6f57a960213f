package org.yewledger.app.connection;

import java.io.IOException;
import java.net.URI;
import java.time.Duration;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.core.ParameterizedTypeReference;
import org.springframework.http.HttpRequest;
import org.springframework.http.MediaType;
import org.springframework.http.client.ClientHttpResponse;
import org.springframework.http.client.JdkClientHttpRequestFactory;
import org.springframework.stereotype.Component;
import org.springframework.web.client.ResourceAccessException;
import org.springframework.web.client.RestClient;
import org.springframework.web.client.RestClientException;

/** Asks banks. Every failure comes out as a {@link BankProblem}. */
@Component
class BankClient {
  private static final Duration CONNECT = Duration.ofSeconds(3);
  private static final Duration READ = Duration.ofSeconds(30);
  private static final int ASKED_PER_DAY = 4;

  private final RestClient http;
  private final URI base;

  BankClient(RestClient.Builder builder, @Value("${yew.bank.url}") String url) {
    var requests =
        new JdkClientHttpRequestFactory(
            java.net.http.HttpClient.newBuilder().connectTimeout(CONNECT).build());
    requests.setReadTimeout(READ);
    this.base = URI.create(url);
    this.http =
        builder
            .baseUrl(url)
            .requestFactory(requests)
            .requestInterceptor(
                (request, body, next) -> new BoundedAnswer(next.execute(request, body)))
            .defaultStatusHandler(status -> status.isError(), BankClient::refused)
            .build();
  }

  List<BankWire.Institution> institutions() {
    return asked(() ->
        http.get()
            .uri("/institutions")
            .retrieve()
            .body(new ParameterizedTypeReference<List<BankWire.Institution>>() {}));
  }

  /** Asks for a consent to read all accounts; the person gives it at the bank's own page. */
  BankWire.Consent askConsent(String institution, LocalDate until, URI returnTo) {
    var request =
        new BankWire.ConsentRequest(Map.of("allPsd2", "allAccounts"), true, until, ASKED_PER_DAY);
    return asked(() ->
        http.post()
            .uri("/{institution}/v1/consents", institution)
            .header("X-Request-ID", UUID.randomUUID().toString())
            .header("TPP-Redirect-URI", returnTo.toString())
            .contentType(MediaType.APPLICATION_JSON)
            .body(request)
            .retrieve()
            .body(BankWire.Consent.class));
  }

  BankWire.Consent consent(String institution, String consent) {
    return get(BankWire.Consent.class, consent, "/{i}/v1/consents/{c}", institution, consent);
  }

  /** Ends a consent at the bank. */
  void endConsent(String institution, String consent) {
    asked(() ->
        http.delete()
            .uri("/{institution}/v1/consents/{consent}", institution, consent)
            .retrieve()
            .toBodilessEntity());
  }

  List<BankWire.Account> accounts(String institution, String consent) {
    List<BankWire.Account> accounts =
        said(
            get(BankWire.Accounts.class, consent, "/{i}/v1/accounts?withBalance=true", institution)
                .accounts());
    accounts.forEach(account -> {
      said(account.resourceId());
      said(account.currency());
    });
    return accounts;
  }

  List<BankWire.Balance> balances(String institution, String consent, String account) {
    return said(
        get(BankWire.Balances.class, consent, "/{i}/v1/accounts/{a}/balances", institution, account)
            .balances());
  }

  /** The first page of an account's transactions from a day on. */
  BankWire.Page transactions(String institution, String consent, String account, LocalDate from) {
    return said(
        get(
                BankWire.Transactions.class,
                consent,
                "/{i}/v1/accounts/{a}/transactions?bookingStatus=both&dateFrom={d}",
                institution,
                account,
                from)
            .transactions());
  }

  /**
   * The page behind another one; empty at the last. The consent goes to the bank's own address
   * only, wherever the link points.
   */
  Optional<BankWire.Page> next(BankWire.Page page, String consent) {
    BankWire.Href next = page.links() == null ? null : page.links().get("next");
    if (next == null) {
      return Optional.empty();
    }
    URI link;
    try {
      link = base.resolve(said(next.href()));
    } catch (IllegalArgumentException e) {
      throw unreadable();
    }
    if (!Objects.equals(link.getAuthority(), base.getAuthority())
        || !Objects.equals(link.getScheme(), base.getScheme())) {
      throw new BankProblem(
          BankProblem.Kind.FATAL, "The bank sends on to an address that is not its own.", null);
    }
    BankWire.Transactions answer =
        asked(() ->
            identified(http.get().uri(link), consent).retrieve().body(BankWire.Transactions.class));
    return Optional.of(said(answer.transactions()));
  }

  private <T> T get(Class<T> type, String consent, String path, Object... variables) {
    return asked(() -> identified(http.get().uri(path, variables), consent).retrieve().body(type));
  }

  private static RestClient.RequestHeadersSpec<?> identified(
      RestClient.RequestHeadersSpec<?> request, String consent) {
    return request
        .header("Consent-ID", consent)
        .header("X-Request-ID", UUID.randomUUID().toString());
  }

  /** What the standard says is always there, and some bank may leave out all the same. */
  private static <T> T said(@Nullable T value) {
    if (value == null) {
      throw unreadable();
    }
    return value;
  }

  private static <T> T asked(Supplier<@Nullable T> request) {
    try {
      @Nullable T answer = request.get();
      if (answer != null) {
        return answer;
      }
    } catch (ResourceAccessException e) {
      throw new BankProblem(BankProblem.Kind.LATER, "The bank cannot be reached.", null);
    } catch (RestClientException e) {
      throw unreadable();
    }
    throw unreadable();
  }

  private static BankProblem unreadable() {
    return new BankProblem(BankProblem.Kind.LATER, "The bank's answer cannot be read.", null);
  }

  private static void refused(HttpRequest request, ClientHttpResponse response) throws IOException {
    int status = response.getStatusCode().value();
    Duration wait = retryAfter(response);
    throw switch (status) {
      case 401, 403 ->
          new BankProblem(BankProblem.Kind.CONSENT, "The consent does not hold any more.", null);
      case 409 ->
          new BankProblem(
              BankProblem.Kind.LATER, "The bank has not released this account yet.", wait);
      case 429 ->
          new BankProblem(
              BankProblem.Kind.LATER, "The bank asks to be left alone for a while.", wait);
      default ->
          status >= 500
              ? new BankProblem(
                  BankProblem.Kind.LATER, "The bank has a fault (%d).".formatted(status), wait)
              : new BankProblem(
                  BankProblem.Kind.FATAL, "The bank refuses (%d).".formatted(status), null);
    };
  }

  private static @Nullable Duration retryAfter(ClientHttpResponse response) {
    String seconds = response.getHeaders().getFirst("Retry-After");
    return seconds == null || !seconds.matches("\\d{1,6}")
        ? null
        : Duration.ofSeconds(Long.parseLong(seconds));
  }
}
