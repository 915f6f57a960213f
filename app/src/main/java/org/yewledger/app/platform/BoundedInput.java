package org.yewledger.app.platform;

import com.fasterxml.jackson.annotation.Nulls;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.YearMonth;
import java.time.format.DateTimeParseException;
import java.util.Optional;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.springframework.boot.jackson.autoconfigure.JsonMapperBuilderCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.convert.converter.Converter;
import org.springframework.format.FormatterRegistry;
import org.springframework.security.web.firewall.HttpFirewall;
import org.springframework.security.web.firewall.StrictHttpFirewall;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import org.yewledger.core.entry.DayText;
import org.yewledger.core.money.Decimals;
import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonToken;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.ValueDeserializer;
import tools.jackson.databind.module.SimpleModule;

/**
 * Bounds numbers, days and texts of requests where they are read, before anything is done with
 * them: digits of numbers, years of days, lengths of texts, and letters that nobody types.
 */
@Configuration
class BoundedInput implements WebMvcConfigurer {
  private static final int LONGEST_TEXT = 20_000;

  /** The JSON of requests; stored JSON was in bounds when it came. */
  @Bean
  JsonMapperBuilderCustomizer boundedValues() {
    var module = new SimpleModule("bounded input");
    module.addDeserializer(BigDecimal.class, reading(Decimals::read));
    module.addDeserializer(LocalDate.class, reading(BoundedInput::day));
    module.addDeserializer(YearMonth.class, reading(BoundedInput::month));
    module.addDeserializer(String.class, reading(BoundedInput::text));
    return builder ->
        builder
            .addModule(module)
            .changeDefaultNullHandling(nulls -> nulls.withContentNulls(Nulls.FAIL));
  }

  /** Reads a value by its text, be it written as a string or, for amounts, as a number. */
  private static <T> ValueDeserializer<T> reading(Function<String, Optional<T>> read) {
    return new ValueDeserializer<>() {
      @Override
      public @Nullable T deserialize(JsonParser parser, DeserializationContext context) {
        JsonToken token = parser.currentToken();
        String text = token != null && token.isScalarValue() ? parser.getString() : null;
        Optional<T> value = text == null ? Optional.empty() : read.apply(text);
        return value.orElseGet(() -> {
          context.reportInputMismatch(this, "out of bounds");
          return null;
        });
      }
    };
  }

  private static Optional<LocalDate> day(String text) {
    try {
      LocalDate day = LocalDate.parse(text);
      return isNear(day.getYear()) ? Optional.of(day) : Optional.empty();
    } catch (DateTimeParseException e) {
      return Optional.empty();
    }
  }

  private static Optional<YearMonth> month(String text) {
    try {
      YearMonth month = YearMonth.parse(text);
      return isNear(month.getYear()) ? Optional.of(month) : Optional.empty();
    } catch (DateTimeParseException e) {
      return Optional.empty();
    }
  }

  private static boolean isNear(int year) {
    return year >= DayText.FIRST_YEAR && year <= DayText.LAST_YEAR;
  }

  private static Optional<String> text(String text) {
    return text.length() <= LONGEST_TEXT && isTyped(text) ? Optional.of(text) : Optional.empty();
  }

  /** Control characters but those that end lines cannot be kept, and are not typed. */
  private static boolean isTyped(String text) {
    return text.codePoints()
        .noneMatch(c ->
            (Character.isISOControl(c) && c != '\n' && c != '\r' && c != '\t')
                || Character.getType(c) == Character.SURROGATE);
  }

  /** The same for what stands in addresses. */
  @Override
  public void addFormatters(FormatterRegistry registry) {
    registry.addConverter(String.class, LocalDate.class, inAddress(BoundedInput::day));
    registry.addConverter(String.class, YearMonth.class, inAddress(BoundedInput::month));
    registry.addConverter(String.class, BigDecimal.class, inAddress(Decimals::read));
  }

  private static <T> Converter<String, T> inAddress(Function<String, Optional<T>> read) {
    return text ->
        read.apply(text).orElseThrow(() -> new IllegalArgumentException("out of bounds"));
  }

  @Bean
  HttpFirewall firewall() {
    var firewall = new StrictHttpFirewall();
    firewall.setAllowedParameterValues(value -> value == null || text(value).isPresent());
    firewall.setAllowedParameterNames(name -> text(name).isPresent());
    return firewall;
  }
}
