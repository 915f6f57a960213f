package org.yewledger.app.datapackage;

import io.swagger.v3.oas.annotations.tags.Tag;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import org.springframework.core.io.InputStreamResource;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;
import org.yewledger.app.platform.Download;

/** The whole household out and in. */
@RestController
@RequestMapping("/api/data-package")
@Tag(name = "household")
class DataPackageController {
  record TakenPackageJson(String name, long entries, long attachments) {}

  private static final MediaType ZIP = MediaType.parseMediaType("application/zip");

  private final PackageWriting writing;
  private final PackageTaking taking;

  DataPackageController(PackageWriting writing, PackageTaking taking) {
    this.writing = writing;
    this.taking = taking;
  }

  /** The whole household as a data package: tables as CSV with their schemas, and attachments. */
  @GetMapping
  ResponseEntity<InputStreamResource> takeOut() throws IOException {
    // Written whole before any of it is sent: what goes wrong is still an answer of its own.
    Path file = Files.createTempFile("yew-package", ".zip");
    try {
      String name;
      try (OutputStream to = Files.newOutputStream(file)) {
        name = writing.write(to);
      }
      var content = new FileThatGoes(file);
      return ResponseEntity.ok()
          .header(
              HttpHeaders.CONTENT_DISPOSITION,
              ContentDisposition.attachment()
                  .filename(Download.named(name) + ".zip")
                  .build()
                  .toString())
          .contentType(ZIP)
          .contentLength(Files.size(file))
          .body(new InputStreamResource(content));
    } catch (IOException | RuntimeException e) {
      Files.deleteIfExists(file);
      throw e;
    }
  }

  /** Takes a data package into this household, which has to be empty. */
  @PostMapping
  @ResponseStatus(HttpStatus.CREATED)
  TakenPackageJson takeIn(@RequestPart MultipartFile file) throws IOException {
    Path arrived = Files.createTempFile("yew-package", ".zip");
    try {
      file.transferTo(arrived);
      PackageTaking.TakenIn in = taking.takeIn(arrived);
      return new TakenPackageJson(in.name(), in.entries(), in.attachments());
    } finally {
      Files.deleteIfExists(arrived);
    }
  }
}
