package unimotus.core.program;

import static unimotus.core.program.Literals.plus;
import static unimotus.core.program.Literals.real;

import java.util.ArrayList;
import java.util.List;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Reference;
import unimotus.core.motor.SpeedScale;
import unimotus.core.profile.WordProfile;
import unimotus.core.value.PlacedValue;
import unimotus.core.value.ValueType;

/** The statements of a block that scale the reference to the register's counts. */
final class ReferenceStatements {
  private final AxisAssembly axis;
  private final WordProfile profile;
  private final List<String> body = new ArrayList<>();

  ReferenceStatements(AxisAssembly axis, WordProfile profile) {
    this.axis = axis;
    this.profile = profile;
  }

  List<String> statements(PlacedValue entry) {
    Reference scale = axis.axis().reference();
    double most = speeds().maximumHertz();
    double span = scale.frequencyAtFullHertz() - scale.frequencyAtZeroHertz();
    double speedSpan = scale.speedAtFull() - scale.speedAtZero();
    say(
        "%s to %s %s are %s to %s Hz: reference of the axis. %s Hz at most: drive settings."
            .formatted(
                LinkProgram.number(scale.speedAtZero()),
                LinkProgram.number(scale.speedAtFull()),
                axis.axis().mechanics().unit().symbol(),
                LinkProgram.number(scale.frequencyAtZeroHertz()),
                LinkProgram.number(scale.frequencyAtFullHertz()),
                LinkProgram.number(most)));
    String speed =
        scale.speedAtZero() == 0 ? "Speed" : "(Speed%s)".formatted(plus(-scale.speedAtZero()));
    add(
        "Hertz := LIMIT(0.0, %s * %s%s, %s);"
            .formatted(
                speed, real(span / speedSpan), plus(scale.frequencyAtZeroHertz()), real(most)));
    add("IF NOT Started THEN");
    add("  Hertz := 0.0;");
    add("END_IF;");
    if (!profile.direction().isInTheWord()) {
      add("IF Backward THEN");
      add("  Hertz := -Hertz;");
      add("END_IF;");
    }
    say(entry.where());
    double perHertz = speeds().value(1, entry.unit()) / entry.scale();
    double one = raw(entry, entry.minimum());
    double other = raw(entry, entry.maximum());
    add(
        "Raw := LIMIT(%s, Hertz * %s%s, %s);"
            .formatted(
                real(Math.min(one, other)),
                real(perHertz),
                plus(-entry.offset() / entry.scale()),
                real(Math.max(one, other))));
    add(
        entry.type() == ValueType.FLOAT_32
            ? "ReferenceRaw := Raw;"
            : "ReferenceRaw := REAL_TO_%s(Raw);".formatted(LinkProgram.type(entry)));
    return body;
  }

  private static double raw(PlacedValue entry, double value) {
    double raw = (value - entry.offset()) / entry.scale();
    return Math.max(entry.type().least(), Math.min(entry.type().most(), raw));
  }

  private SpeedScale speeds() {
    return SpeedScale.of(axis);
  }

  private void say(String words) {
    add(FunctionBlock.comment(words));
  }

  private void add(String line) {
    body.add(line);
  }
}
