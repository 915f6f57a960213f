package org.yewledger.app.household;

import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.yewledger.app.platform.HouseholdDays;
import org.yewledger.app.platform.Ids;
import org.yewledger.app.platform.Role;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.app.platform.Texts;
import org.yewledger.core.Refusal;
import org.yewledger.core.entry.Formats;
import org.yewledger.core.entry.Formats.DayOrder;
import org.yewledger.core.entry.Formats.DecimalMark;
import org.yewledger.core.entry.Formats.Grouping;
import org.yewledger.core.entry.Formats.Sides;

/** Signing in and out, and the household that one works in. */
@RestController
@RequestMapping("/api/session")
@Tag(name = "session")
class SessionController {
  record CredentialsJson(
      @NotBlank @Size(max = Texts.ADDRESS) String email,
      @NotBlank @Size(max = Texts.NAME) String password,
      @Nullable String code) {}

  /**
   * @param today where the household lives
   */
  record SessionJson(
      UUID personId,
      String name,
      String email,
      UUID householdId,
      String householdName,
      Role role,
      boolean severalHouseholds,
      LocalDate today,
      FormatsJson formats,
      KeysJson keys) {}

  /** How the person writes figures and days. */
  record FormatsJson(
      @NotNull DecimalMark decimalMark,
      @NotNull Grouping grouping,
      @NotNull DayOrder dayOrder,
      @NotNull DayOfWeek weekBegins,
      @NotNull Sides sides) {
    static FormatsJson of(Formats f) {
      return new FormatsJson(
          f.decimalMark(), f.grouping(), f.dayOrder(), f.weekBegins(), f.sides());
    }
  }

  /**
   * @param letters whether keys of one letter work
   * @param own where they differ from the application's
   */
  record KeysJson(boolean letters, @Valid @NotNull List<OwnKeys.OwnKey> own) {}

  record HouseholdJson(UUID id, String name, Role role) {}

  record ChooseHouseholdJson(@NotNull UUID householdId) {}

  /** {@code timeZone} by its name in the IANA database; UTC if none is said. */
  record NewHouseholdJson(
      @NotBlank @Size(max = Texts.NAME) String name,
      @Nullable @Size(max = Texts.SHORT) String timeZone) {}

  private final SignInService signIn;
  private final HouseholdFounding founding;
  private final Sessions sessions;
  private final OwnFormats formats;
  private final OwnKeys keys;
  private final HouseholdDays days;
  private final SecurityContextRepository contexts;

  SessionController(
      SignInService signIn,
      HouseholdFounding founding,
      Sessions sessions,
      OwnFormats formats,
      OwnKeys keys,
      HouseholdDays days,
      SecurityContextRepository contexts) {
    this.signIn = signIn;
    this.founding = founding;
    this.sessions = sessions;
    this.formats = formats;
    this.keys = keys;
    this.days = days;
    this.contexts = contexts;
  }

  /** Who is signed in; 401 if nobody is. */
  @GetMapping
  ResponseEntity<SessionJson> session(Authentication authentication) {
    if (authentication != null && authentication.getPrincipal() instanceof SignedIn person) {
      return ResponseEntity.ok(json(person));
    }
    return ResponseEntity.status(HttpStatus.UNAUTHORIZED).build();
  }

  /** Signs in with email and password, and a code where there is a second factor. */
  @PostMapping
  SessionJson signIn(
      @Valid @RequestBody CredentialsJson credentials,
      HttpServletRequest request,
      HttpServletResponse response) {
    String code = credentials.code() == null ? "" : credentials.code();
    SignedIn person =
        signIn.signIn(credentials.email(), credentials.password(), code, request.getRemoteAddr());
    // A session from before signing in must not become a signed-in one.
    if (request.getSession(false) != null) {
      request.changeSessionId();
    }
    return begin(person, request, response);
  }

  /** Signs out. */
  @DeleteMapping
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void signOut(HttpServletRequest request) {
    if (request.getSession(false) != null) {
      request.getSession().invalidate();
    }
  }

  /** Ends all other sessions of the person. */
  @DeleteMapping("/elsewhere")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void signOutElsewhere(HttpServletRequest request) {
    sessions.endAllOf(SignedIn.now().personId(), request.getSession().getId());
  }

  /** Changes how the person writes figures and days. */
  @PutMapping("/formats")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void changeFormats(@Valid @RequestBody FormatsJson wanted) {
    formats.change(
        new Formats(
            wanted.decimalMark(),
            wanted.grouping(),
            wanted.dayOrder(),
            wanted.weekBegins(),
            wanted.sides()));
  }

  /** Changes the keys that the person works with. */
  @PutMapping("/keys")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void changeKeys(@Valid @RequestBody KeysJson wanted) {
    keys.change(new OwnKeys.Keys(wanted.letters(), wanted.own()));
  }

  /** The households that the person belongs to. */
  @GetMapping("/households")
  List<HouseholdJson> households() {
    return signIn.households(SignedIn.now().personId()).stream()
        .map(b -> new HouseholdJson(b.householdId(), b.name(), b.role()))
        .toList();
  }

  /** Goes on in another household. */
  @PostMapping("/household")
  SessionJson choose(
      @Valid @RequestBody ChooseHouseholdJson chosen,
      HttpServletRequest request,
      HttpServletResponse response) {
    return begin(signIn.in(SignedIn.now(), chosen.householdId()), request, response);
  }

  /** Begins another household with the person as its owner, and goes on in it. */
  @PostMapping("/households")
  SessionJson foundAnother(
      @Valid @RequestBody NewHouseholdJson wanted,
      HttpServletRequest request,
      HttpServletResponse response) {
    SignedIn me = SignedIn.now();
    SignedIn owner = HouseholdFounding.newOwner(me.personId(), me.name(), me.email(), Ids.next());
    founding.foundAnother(
        requireName(wanted.name()), HouseholdDays.named(wanted.timeZone()), owner);
    return begin(owner, request, response);
  }

  static String requireName(String name) {
    if (name.strip().length() > 80) {
      throw Refusal.ofField("name-too-long", "name", "A name has at most 80 letters.");
    }
    return name.strip();
  }

  private SessionJson begin(
      SignedIn person, HttpServletRequest request, HttpServletResponse response) {
    SecurityContext context = SecurityContextHolder.createEmptyContext();
    context.setAuthentication(
        UsernamePasswordAuthenticationToken.authenticated(
            person, null, List.of(new SimpleGrantedAuthority("ROLE_" + person.role()))));
    SecurityContextHolder.setContext(context);
    contexts.saveContext(context, request, response);
    return json(person);
  }

  private SessionJson json(SignedIn person) {
    OwnKeys.Keys own = keys.keys();
    return new SessionJson(
        person.personId(),
        person.name(),
        person.email(),
        person.householdId(),
        signIn.householdName(person),
        person.role(),
        signIn.households(person.personId()).size() > 1,
        days.today(),
        FormatsJson.of(formats.formats()),
        new KeysJson(own.letters(), own.own()));
  }
}
