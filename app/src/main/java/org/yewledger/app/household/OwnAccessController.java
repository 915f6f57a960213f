package org.yewledger.app.household;

import com.google.zxing.BarcodeFormat;
import com.google.zxing.WriterException;
import com.google.zxing.common.BitMatrix;
import com.google.zxing.qrcode.QRCodeWriter;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.app.platform.Texts;

/** One's own password and second factor. */
@RestController
@RequestMapping("/api/session")
@Tag(name = "session")
class OwnAccessController {
  record PasswordJson(
      @NotNull @Size(max = Texts.NAME) String current,
      @NotNull @Size(max = Texts.NAME) String password) {}

  record SecondFactorJson(boolean on, int recoveryCodesLeft) {}

  /**
   * @param secret in base 32, to be typed
   * @param uri for an authenticator on this device
   * @param squares the same as a picture to be photographed: an SVG path over {@code size} squares
   */
  record NewSecretJson(String secret, String uri, String squares, int size) {}

  record TurnOnJson(
      @NotNull @Size(max = Texts.NAME) String secret,
      @NotNull @Size(max = Texts.SHORT) String code) {}

  record RecoveryCodesJson(List<String> codes) {}

  record TurnOffJson(@NotNull @Size(max = Texts.NAME) String current) {}

  private final PasswordService passwords;
  private final SecondFactorService secondFactors;
  private final Sessions sessions;

  OwnAccessController(
      PasswordService passwords, SecondFactorService secondFactors, Sessions sessions) {
    this.passwords = passwords;
    this.secondFactors = secondFactors;
    this.sessions = sessions;
  }

  /** Changes the password, and ends all other sessions. */
  @PutMapping("/password")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void changePassword(@Valid @RequestBody PasswordJson wanted, HttpServletRequest request) {
    passwords.change(wanted.current(), wanted.password());
    sessions.endAllOf(SignedIn.now().personId(), request.getSession().getId());
  }

  /** Whether there is a second factor, and how many recovery codes are left. */
  @GetMapping("/second-factor")
  SecondFactorJson secondFactor() {
    return new SecondFactorJson(secondFactors.isOn(), secondFactors.recoveryCodesLeft());
  }

  /** A new secret to show to an authenticator. */
  @PostMapping("/second-factor/secret")
  NewSecretJson newSecret() {
    String secret = secondFactors.newSecret();
    String uri =
        "otpauth://totp/Yew%%20Ledger:%s?secret=%s&issuer=Yew%%20Ledger"
            .formatted(URLEncoder.encode(SignedIn.now().email(), StandardCharsets.UTF_8), secret);
    BitMatrix squares = squares(uri);
    return new NewSecretJson(secret, uri, path(squares), squares.getWidth());
  }

  /** Turns the second factor on, and tells the recovery codes once. */
  @PostMapping("/second-factor")
  RecoveryCodesJson turnOn(@Valid @RequestBody TurnOnJson wanted) {
    return new RecoveryCodesJson(secondFactors.turnOn(wanted.secret(), wanted.code()));
  }

  /** Turns the second factor off; asks for the password, as a window may stand open. */
  @PostMapping("/second-factor/off")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void turnOff(@Valid @RequestBody TurnOffJson wanted) {
    passwords.requireRight(wanted.current());
    secondFactors.turnOff();
  }

  private static BitMatrix squares(String text) {
    try {
      return new QRCodeWriter().encode(text, BarcodeFormat.QR_CODE, 0, 0);
    } catch (WriterException e) {
      throw new IllegalStateException(e);
    }
  }

  private static String path(BitMatrix squares) {
    var path = new StringBuilder();
    for (int y = 0; y < squares.getHeight(); y++) {
      for (int x = 0; x < squares.getWidth(); x++) {
        if (squares.get(x, y)) {
          path.append("M%d %dh1v1h-1z".formatted(x, y));
        }
      }
    }
    return path.toString();
  }
}
