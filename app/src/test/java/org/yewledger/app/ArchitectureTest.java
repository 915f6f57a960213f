package org.yewledger.app;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import org.testng.annotations.Test;

/** Dependencies point one way: app, then formats, then core. */
public class ArchitectureTest {
  private final JavaClasses all =
      new ClassFileImporter()
          .withImportOption(new ImportOption.DoNotIncludeTests())
          .importPackages("org.yewledger");

  @Test
  public void coreKnowsNobody() {
    noClasses()
        .that()
        .resideInAPackage("org.yewledger.core..")
        .should()
        .dependOnClassesThat()
        .resideInAnyPackage(
            "org.yewledger.formats..", "org.yewledger.demo..", "org.yewledger.app..")
        .check(all);
  }

  @Test
  public void formatsAndDemoKnowNoFrameworkAndNoApplication() {
    noClasses()
        .that()
        .resideInAnyPackage("org.yewledger.formats..", "org.yewledger.demo..")
        .should()
        .dependOnClassesThat()
        .resideInAnyPackage(
            "org.yewledger.app..",
            "org.springframework..",
            "jakarta..",
            "org.hibernate..",
            "java.sql..")
        .check(all);
    noClasses()
        .that()
        .resideInAPackage("org.yewledger.formats..")
        .should()
        .dependOnClassesThat()
        .resideInAPackage("org.yewledger.demo..")
        .check(all);
  }

  @Test
  public void packagesOfTheApplicationHaveNoCycles() {
    slices().matching("org.yewledger.app.(*)..").should().beFreeOfCycles().check(all);
  }

  @Test
  public void onlyControllersSpeakHttp() {
    noClasses()
        .that()
        .haveSimpleNameEndingWith("Service")
        .should()
        .dependOnClassesThat()
        .resideInAnyPackage("org.springframework.web..", "jakarta.servlet..")
        .check(all);
  }
}
