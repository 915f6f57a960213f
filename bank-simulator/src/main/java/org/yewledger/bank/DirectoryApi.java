package org.yewledger.bank;

import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

/** The directory of banks that can be connected to; an addition to the framework. */
@RestController
class DirectoryApi {
  record InstitutionAnswer(
      String id,
      String name,
      String town,
      String serves,
      String bic,
      String web,
      int historyDays,
      int consentDays) {}

  @GetMapping("/institutions")
  List<InstitutionAnswer> institutions() {
    return Institution.ALL.stream()
        .map(i ->
            new InstitutionAnswer(
                i.id(),
                i.name(),
                i.town(),
                i.serves(),
                i.bic(),
                i.web(),
                i.historyDays(),
                Consents.DAYS))
        .toList();
  }
}
