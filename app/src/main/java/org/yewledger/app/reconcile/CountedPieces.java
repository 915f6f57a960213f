package org.yewledger.app.reconcile;

import jakarta.persistence.AttributeConverter;
import jakarta.persistence.Converter;
import java.util.List;
import org.jspecify.annotations.Nullable;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** The pieces of a count, as they are stored with its statement. */
@Converter
class CountedPieces
    implements AttributeConverter<@Nullable List<CountedPieces.Pieces>, @Nullable String> {
  private static final JsonMapper JSON = JsonMapper.builder().build();

  /** Of a denomination in minor units, how many there are. */
  record Pieces(long ofMinor, int count) {}

  @Override
  public @Nullable String convertToDatabaseColumn(@Nullable List<Pieces> pieces) {
    return pieces == null ? null : JSON.writeValueAsString(pieces);
  }

  @Override
  public @Nullable List<Pieces> convertToEntityAttribute(@Nullable String stored) {
    return stored == null ? null : JSON.readValue(stored, new TypeReference<>() {});
  }
}
