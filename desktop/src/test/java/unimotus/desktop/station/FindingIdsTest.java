package unimotus.desktop.station;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.EnumSet;
import java.util.Set;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.finding.Severity;
import unimotus.workbench.WorkStep;
import unimotus.workbench.find.FindingPlace;
import unimotus.workbench.find.Target;

/** No rule that is mended at a field is left without one. */
class FindingIdsTest {
  /** What is entered in a table, whose view is opened. */
  private static final Set<Rule> IN_TABLES = EnumSet.of(Rule.IO_ADDRESS, Rule.UNIT_NUMBER);

  @ParameterizedTest
  @EnumSource(Rule.class)
  void everyRuleOfAFieldNamesOne(Rule rule) {
    Finding finding = new Finding(Severity.ERROR, rule, "axis/a/drive/supply", "", "", "");
    Target target = FindingPlace.of(unimotus.workbench.Demo.project(), "rinse-drum", finding);
    boolean elsewhere =
        WorkStep.of(rule) == WorkStep.MAP
            && (rule.code().startsWith("MOV") || rule.code().startsWith("PDB"));
    if (target instanceof Target.Field && !elsewhere && !IN_TABLES.contains(rule)) {
      assertThat(FindingField.ids(finding)).as(rule.name()).isNotEmpty();
    }
  }
}
