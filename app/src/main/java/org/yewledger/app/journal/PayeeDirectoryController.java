package org.yewledger.app.journal;

import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.yewledger.app.journal.PayeeDirectoryJson.DirectoryPayeeJson;
import org.yewledger.app.platform.Texts;

/** The directory of payees, with what their entries come to. */
@RestController
@RequestMapping("/api/payees")
@Tag(name = "payees")
class PayeeDirectoryController {
  private final PayeeDirectoryService directory;

  PayeeDirectoryController(PayeeDirectoryService directory) {
    this.directory = directory;
  }

  /** The payees with the text in their names, the most used first; at most 200. */
  @GetMapping("/directory")
  List<DirectoryPayeeJson> directory(
      @RequestParam(defaultValue = "") @Size(max = Texts.NAME) String text) {
    return directory.payees(text);
  }
}
