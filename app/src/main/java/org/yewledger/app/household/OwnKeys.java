package org.yewledger.app.household;

import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.regex.Pattern;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.app.platform.Texts;
import org.yewledger.core.Refusal;
import tools.jackson.databind.json.JsonMapper;

/** The keys that the person who is signed in works with. */
@Service
class OwnKeys {
  private static final int MOST = 200;
  private static final Pattern KEY = Pattern.compile("[\\x21-\\x7e]( [\\x21-\\x7e])?");

  private final JdbcClient jdbc;
  private final JsonMapper json;

  OwnKeys(JdbcClient jdbc, JsonMapper json) {
    this.jdbc = jdbc;
    this.json = json;
  }

  /**
   * @param letters whether keys of one letter work at all (WCAG 2.1.4)
   * @param own where they differ from those of the application
   */
  record Keys(boolean letters, List<OwnKey> own) {
    static final Keys DEFAULT = new Keys(true, List.of());
  }

  /**
   * @param what it does, by the name that the interface has for it
   * @param key one sign, or two to be typed one after the other
   */
  record OwnKey(
      @NotNull @Size(max = Texts.SHORT) String what,
      @NotNull @Size(max = Texts.SHORT) String key) {}

  @Transactional(readOnly = true)
  Keys keys() {
    return jdbc.sql("select letter_keys, own_keys::text as own from person where id = ?")
        .param(SignedIn.now().personId())
        .query((row, no) ->
            new Keys(
                row.getBoolean("letter_keys"),
                List.of(json.readValue(row.getString("own"), OwnKey[].class))))
        .optional()
        .orElse(Keys.DEFAULT);
  }

  /**
   * @throws Refusal {@code key-unknown} if one is not a key
   */
  @Transactional
  void change(Keys keys) {
    if (keys.own().size() > MOST
        || !keys.own().stream().allMatch(own -> KEY.matcher(own.key()).matches())) {
      throw Refusal.ofField("key-unknown", "own", "A key is one sign, or two one after the other.");
    }
    jdbc.sql("update person set letter_keys = ?, own_keys = ?::jsonb where id = ?")
        .params(keys.letters(), json.writeValueAsString(keys.own()), SignedIn.now().personId())
        .update();
  }
}
