package org.yewledger.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import org.testng.annotations.Test;

/** The core is plain Java: what it may use is listed, everything else is forbidden. */
public class ArchitectureTest {
  private final JavaClasses core =
      new ClassFileImporter()
          .withImportOption(new ImportOption.DoNotIncludeTests())
          .importPackages("org.yewledger.core");

  @Test
  public void usesNothingButTheLanguageAndValueTypes() {
    classes()
        .should()
        .onlyDependOnClassesThat()
        .resideInAnyPackage(
            "org.yewledger.core..",
            "java.lang..",
            "java.math..",
            "java.text..",
            "java.time..",
            "java.util..",
            "org.joda.money..",
            // Patterns that cannot hang, and many texts found at once.
            "com.google.re2j..",
            "com.hankcs.algorithm..",
            // Recurrence rules by RFC 5545.
            "org.dmfs.rfc5545..",
            "org.jspecify..")
        .check(core);
  }

  @Test
  public void hasNoCyclesBetweenPackages() {
    slices().matching("org.yewledger.core.(*)..").should().beFreeOfCycles().check(core);
  }
}
