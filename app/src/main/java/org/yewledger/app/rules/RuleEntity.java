package org.yewledger.app.rules;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.util.UUID;
import org.hibernate.annotations.TenantId;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.rules.Rule;
import org.yewledger.core.rules.Words;

/** A rule as stored, with its place in the order. */
@Entity(name = "Rule")
@Table(name = "rule")
@SuppressWarnings("NullAway.Init")
public class RuleEntity {
  @Id private UUID id;
  @TenantId private UUID householdId;
  private int place;
  private String words;

  @Enumerated(EnumType.STRING)
  private Rule.Direction direction;

  private @Nullable UUID onAccountId;
  private String payee;
  private UUID toAccountId;
  @Version private int version;

  protected RuleEntity() {}

  RuleEntity(Rule rule, int place) {
    this.id = rule.id();
    this.place = place;
    become(rule);
  }

  final void become(Rule rule) {
    this.words = rule.when().words().toString();
    this.direction = rule.when().direction();
    this.onAccountId = rule.when().accountId();
    this.payee = rule.then().payee();
    this.toAccountId = rule.then().accountId();
  }

  public Rule toRule() {
    return new Rule(
        id,
        new Rule.When(Words.of(words), direction, onAccountId),
        new Rule.Then(payee, toAccountId));
  }

  UUID id() {
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
