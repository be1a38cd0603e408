package unimotus.formats;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.io.IOException;
import java.lang.reflect.RecordComponent;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import unimotus.core.fieldbus.RegisterPlace;
import unimotus.core.machine.Answer;
import unimotus.core.machine.Axis;
import unimotus.core.machine.BusTiming;
import unimotus.core.machine.Controller;
import unimotus.core.machine.Drive;
import unimotus.core.machine.Load;
import unimotus.core.machine.MotionDesign;
import unimotus.core.machine.PlacedSwitch;
import unimotus.core.machine.Project;
import unimotus.core.machine.Reading;
import unimotus.core.machine.Reference;
import unimotus.core.machine.Response;
import unimotus.core.machine.SequenceDesign;
import unimotus.core.machine.StepDesign;
import unimotus.core.move.MoveSequence;
import unimotus.core.move.TravelRange;
import unimotus.core.positioning.PositioningDesign;
import unimotus.core.positioning.PositioningWords;
import unimotus.core.positioning.TablePosition;
import unimotus.core.scaling.AxisScaling;
import unimotus.core.servo.LoopGains;
import unimotus.core.sheet.InductionPlate;
import unimotus.core.sheet.ServoPlate;
import unimotus.core.sheet.SettingRole;
import unimotus.core.sheet.StepperPlate;
import unimotus.core.sheet.TerminalRole;
import unimotus.core.value.DriveValue;
import unimotus.formats.json.Json;
import unimotus.formats.json.Schema;

/** The schema and the model say the same: neither has a key the other lacks. */
class SchemaTest {

  private static JsonNode schema(Schema schema) throws IOException {
    return Json.strict().readTree(schema.text());
  }

  private static List<String> components(Class<? extends Record> type) {
    return Arrays.stream(type.getRecordComponents())
        .map(RecordComponent::getName)
        .sorted()
        .toList();
  }

  private static List<String> properties(JsonNode object) {
    List<String> names = new ArrayList<>();
    object.get("properties").fieldNames().forEachRemaining(names::add);
    names.removeAll(List.of("format", "version", "kind"));
    return names.stream().sorted().toList();
  }

  @Test
  void everyRecordOfAProjectHasItsKeysInTheSchema() throws IOException {
    JsonNode project = schema(Schema.PROJECT);
    assertThat(properties(project)).isEqualTo(components(Project.class));
    JsonNode axis = project.at("/properties/axes/items");
    assertThat(properties(axis)).isEqualTo(components(Axis.class));
    assertThat(properties(axis.at("/properties/reference"))).isEqualTo(components(Reference.class));
    assertThat(properties(axis.at("/properties/answer"))).isEqualTo(components(Answer.class));
    assertThat(properties(axis.at("/properties/load"))).isEqualTo(components(Load.class));
    assertThat(properties(project.at("/properties/drives/items")))
        .isEqualTo(components(Drive.class));
    assertThat(properties(project.at("/properties/readings/items")))
        .isEqualTo(components(Reading.class));
    assertThat(properties(project.at("/$defs/inductionPlate")))
        .isEqualTo(components(InductionPlate.class));
    assertThat(properties(project.at("/$defs/servoPlate"))).isEqualTo(components(ServoPlate.class));
    assertThat(properties(project.at("/properties/busTiming")))
        .isEqualTo(components(BusTiming.class));
    JsonNode motion = project.at("/$defs/motion");
    assertThat(properties(motion)).isEqualTo(components(MotionDesign.class));
    assertThat(properties(project.at("/$defs/axisScaling")))
        .isEqualTo(components(AxisScaling.class));
    assertThat(properties(motion.at("/properties/moves")))
        .isEqualTo(components(MoveSequence.class));
    assertThat(properties(motion.at("/properties/gains"))).isEqualTo(components(LoopGains.class));
    assertThat(properties(motion.at("/properties/steps"))).isEqualTo(components(StepDesign.class));
    assertThat(properties(motion.at("/properties/steps/properties/switches/items")))
        .isEqualTo(components(PlacedSwitch.class));
    JsonNode sequence = project.at("/properties/sequences/items");
    assertThat(properties(sequence)).isEqualTo(components(SequenceDesign.class));
    assertThat(properties(sequence.at("/properties/responses/items")))
        .isEqualTo(components(Response.class));
    JsonNode byBits = motion.at("/properties/byBits");
    assertThat(properties(byBits)).isEqualTo(components(PositioningDesign.class));
    assertThat(properties(byBits.at("/properties/words")))
        .isEqualTo(components(PositioningWords.class));
    assertThat(properties(byBits.at("/properties/positions/items")))
        .isEqualTo(components(TablePosition.class));
    assertThat(properties(motion.at("/properties/travel")))
        .isEqualTo(components(TravelRange.class));
    assertThat(properties(project.at("/$defs/stepperPlate")))
        .isEqualTo(components(StepperPlate.class));
    JsonNode register =
        project.at(
            "/properties/records/items/properties/fieldbus/properties/registers/items/properties");
    assertThat(properties(register.get("value"))).isEqualTo(components(DriveValue.class));
    assertThat(properties(register.get("place"))).isEqualTo(components(RegisterPlace.class));
    assertThat(properties(project.at("/properties/controllers/items")))
        .isEqualTo(components(Controller.class));
  }

  @Test
  void everyRoleOfASheetIsInTheSchema() throws IOException {
    String sheet = Schema.SHEET.text();
    for (SettingRole role : SettingRole.values()) {
      assertThat(sheet).contains("\"" + kebab(role) + "\"");
    }
    for (TerminalRole role : TerminalRole.values()) {
      assertThat(sheet).contains("\"" + kebab(role) + "\"");
    }
  }

  private static String kebab(Enum<?> constant) {
    return constant.name().toLowerCase(java.util.Locale.ROOT).replace('_', '-');
  }

  @ParameterizedTest
  @EnumSource(Schema.class)
  void everySchemaNamesItsDialectAndItself(Schema schema) throws IOException {
    assertThat(schema(schema).path("$schema").asText())
        .isEqualTo("https://json-schema.org/draft/2020-12/schema");
    assertThat(schema(schema).path("$id").asText()).contains(schema.key());
  }
}
