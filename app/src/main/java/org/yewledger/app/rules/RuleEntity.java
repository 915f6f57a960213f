package org.yewledger.app.rules;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.math.BigDecimal;
import java.util.List;
import java.util.UUID;
import org.hibernate.annotations.ColumnTransformer;
import org.hibernate.annotations.PartitionKey;
import org.hibernate.annotations.TenantId;
import org.jspecify.annotations.Nullable;
import org.yewledger.app.rules.RuleJson.ConditionJson;
import org.yewledger.app.rules.RuleJson.ShareJson;
import org.yewledger.core.rules.Rule;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** A rule as stored, with its place in the order. Its conditions and shares are read whole. */
@Entity(name = "Rule")
@Table(name = "rule")
@SuppressWarnings("NullAway.Init")
public class RuleEntity {
  private static final JsonMapper JSON = JsonMapper.builder().build();

  @Id private UUID id;
  @TenantId @PartitionKey private UUID householdId;
  private int place;
  private UUID bookId;

  @Column(columnDefinition = "jsonb")
  @ColumnTransformer(read = "conditions::text", write = "?::jsonb")
  private String conditions;

  private String payee;

  @Column(columnDefinition = "jsonb")
  @ColumnTransformer(read = "shares::text", write = "?::jsonb")
  private String shares;

  @Column(columnDefinition = "jsonb")
  @ColumnTransformer(read = "tags::text", write = "?::jsonb")
  private String tags;

  private String note;
  private boolean isOn;
  private @Nullable BigDecimal trustedUpTo;
  @Version private int version;

  protected RuleEntity() {}

  RuleEntity(Rule rule, int place) {
    this.id = rule.id();
    this.place = place;
    become(rule);
  }

  final void become(Rule rule) {
    this.bookId = rule.bookId();
    this.conditions = JSON.writeValueAsString(ConditionJson.of(rule.when()));
    this.payee = rule.then().payee();
    this.shares =
        JSON.writeValueAsString(
            rule.then().division().shares().stream().map(ShareJson::of).toList());
    this.tags = JSON.writeValueAsString(rule.then().tags());
    this.note = rule.then().note();
    this.isOn = rule.isOn();
    this.trustedUpTo = rule.trustedUpTo();
  }

  /** Cost: that of reading a small document. */
  public Rule toRule() {
    return new Rule(
        id,
        bookId,
        JSON.readValue(conditions, ConditionJson.class).toCondition("when"),
        new Rule.Then(
            payee,
            ShareJson.division(JSON.readValue(shares, new TypeReference<List<ShareJson>>() {})),
            JSON.readValue(tags, new TypeReference<List<String>>() {}),
            note),
        isOn,
        trustedUpTo == null ? null : trustedUpTo.stripTrailingZeros());
  }

  public UUID id() {
    return id;
  }

  int place() {
    return place;
  }

  void moveTo(int newPlace) {
    this.place = newPlace;
  }

  int version() {
    return version;
  }
}
