package prolalia.app;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.methods;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.JavaMethod;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchCondition;
import com.tngtech.archunit.lang.ArchRule;
import com.tngtech.archunit.lang.ConditionEvents;
import com.tngtech.archunit.lang.SimpleConditionEvent;
import java.lang.reflect.Parameter;
import org.springframework.stereotype.Controller;
import org.springframework.stereotype.Repository;

/** The walls of the house. */
@AnalyzeClasses(packages = "prolalia", importOptions = ImportOption.DoNotIncludeTests.class)
class HouseRulesTest {
    @ArchTest
    static final ArchRule coreIsJavaAlone = classes()
            .that()
            .resideInAPackage("prolalia.core..")
            .should()
            .onlyDependOnClassesThat()
            .resideInAnyPackage(
                    "prolalia.core..",
                    "java.lang..",
                    "java.util..",
                    "java.text..",
                    "java.math..",
                    "java.time..",
                    "org.jtransforms..");

    @ArchTest
    static final ArchRule mediaKnowsCoreAlone = noClasses()
            .that()
            .resideInAPackage("prolalia.media..")
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage("prolalia.app..", "prolalia.formats..", "org.springframework..", "org.jooq..");

    @ArchTest
    static final ArchRule formatsKnowsCoreAlone = noClasses()
            .that()
            .resideInAPackage("prolalia.formats..")
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage("prolalia.app..", "prolalia.media..", "org.springframework..", "org.jooq..");

    @ArchTest
    static final ArchRule onlyStoresTalkToTheDatabase = noClasses()
            .that()
            .resideInAPackage("prolalia.app..")
            .and()
            .resideOutsideOfPackage("prolalia.app.platform..")
            .and()
            .areNotAnnotatedWith(Repository.class)
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage("org.jooq..", "prolalia.app.platform.db..", "java.sql..");

    @ArchTest
    static final ArchRule controllersAskServicesNotStores = noClasses()
            .that()
            .areAnnotatedWith(Controller.class)
            .should()
            .dependOnClassesThat()
            .areAnnotatedWith(Repository.class);

    @ArchTest
    static final ArchRule nobodyCallsAControllerOrComputesInOne = noClasses()
            .that()
            .areAnnotatedWith(Controller.class)
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage("prolalia.media..");

    @ArchTest
    static final ArchRule journeysDontGoInCircles =
            slices().matching("prolalia.app.(*)..").should().beFreeOfCycles();

    @ArchTest
    static final ArchRule coreFlowsOneWay =
            slices().matching("prolalia.core.(*)..").should().beFreeOfCycles();

    /** What a room keeps is its own; the lesson is what all rooms share, by its services; who may do what they ask of LessonAccess. */
    @ArchTest
    static final ArchRule aStoreIsItsRoomsOwn = classes()
            .that()
            .areAnnotatedWith(Repository.class)
            .and()
            .resideOutsideOfPackage("prolalia.app.platform..")
            .and()
            .doNotHaveSimpleName("AuditLog")
            .and()
            .doNotHaveSimpleName("LessonAccess")
            .should()
            .notBePublic();

    /** Where a lesson is only a text, nobody was asked whether she may: that is for those who find it, or ask. */
    @ArchTest
    static final ArchRule aStoreIsHandedLessonsAndNotTheirIds = methods()
            .that()
            .areDeclaredInClassesThat()
            .areAnnotatedWith(Repository.class)
            .and()
            .areDeclaredInClassesThat()
            .doNotHaveSimpleName("LessonStore")
            .and()
            .areDeclaredInClassesThat()
            .doNotHaveSimpleName("LessonAccess")
            .should(new ArchCondition<>("take no lesson's id as text") {
                @Override
                public void check(JavaMethod method, ConditionEvents events) {
                    for (Parameter parameter : method.reflect().getParameters()) {
                        boolean isText = parameter.getName().equals("lessonId") && parameter.getType() == String.class;
                        events.add(new SimpleConditionEvent(method, !isText, method.getFullName()));
                    }
                }
            });
}
