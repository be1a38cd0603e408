package unimotus.formats.json;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import com.fasterxml.jackson.core.JsonGenerator;
import com.fasterxml.jackson.core.JsonParser;
import com.fasterxml.jackson.core.JsonToken;
import com.fasterxml.jackson.databind.BeanDescription;
import com.fasterxml.jackson.databind.DeserializationConfig;
import com.fasterxml.jackson.databind.DeserializationContext;
import com.fasterxml.jackson.databind.JavaType;
import com.fasterxml.jackson.databind.JsonDeserializer;
import com.fasterxml.jackson.databind.JsonMappingException;
import com.fasterxml.jackson.databind.JsonSerializer;
import com.fasterxml.jackson.databind.KeyDeserializer;
import com.fasterxml.jackson.databind.SerializerProvider;
import com.fasterxml.jackson.databind.deser.BeanDeserializerModifier;
import com.fasterxml.jackson.databind.module.SimpleModule;
import java.io.IOException;
import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import unimotus.core.machine.ConductorSize;
import unimotus.core.machine.IoAddress;
import unimotus.core.machine.Mechanics;
import unimotus.core.move.MoveStep;
import unimotus.core.positioning.Reply;
import unimotus.core.positioning.Request;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.sheet.ChoiceSetting;
import unimotus.core.sheet.ControllerSheet;
import unimotus.core.sheet.DeviceSheet;
import unimotus.core.sheet.DriveKind;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.InductionPlate;
import unimotus.core.sheet.MotorPlate;
import unimotus.core.sheet.MotorSheet;
import unimotus.core.sheet.NumberSetting;
import unimotus.core.sheet.PartSheet;
import unimotus.core.sheet.ServoPlate;
import unimotus.core.sheet.SettingDefinition;
import unimotus.core.sheet.SettingRule;
import unimotus.core.sheet.SettingValue;
import unimotus.core.sheet.StepperPlate;

/** How core's types look in JSON; core itself knows nothing of it. */
final class CoreModule extends SimpleModule {
  private static final long serialVersionUID = 1L;

  CoreModule() {
    super("unimotus-core");
    setMixInAnnotation(Mechanics.class, MechanicsKinds.class);
    setMixInAnnotation(MoveStep.class, MoveKinds.class);
    setMixInAnnotation(DeviceSheet.class, SheetKinds.class);
    setMixInAnnotation(MotorPlate.class, PlateKinds.class);
    setMixInAnnotation(DriveKind.class, DriveKinds.class);
    setMixInAnnotation(SettingDefinition.class, SettingKinds.class);
    setMixInAnnotation(SettingRule.class, RuleKinds.class);
    addSerializer(SettingValue.class, new SettingValueWriter());
    addDeserializer(SettingValue.class, new SettingValueReader());
    addSerializer(Enum.class, new KebabWriter());
    keys(Request.class);
    keys(Reply.class);
    addSerializer(ConductorSize.class, new SizeWriter());
    addDeserializer(ConductorSize.class, new SizeReader());
    addSerializer(IoAddress.class, new AddressWriter());
    addDeserializer(IoAddress.class, new AddressReader());
    addSerializer(MeasureUnit.class, new UnitWriter());
    addDeserializer(MeasureUnit.class, new UnitReader());
    setDeserializerModifier(new KebabEnums());
  }

  /** Keys of a map are written as constants are. */
  private <E extends Enum<E>> void keys(Class<E> type) {
    addKeySerializer(type, new KebabKeyWriter());
    addKeyDeserializer(type, new KebabKeyReader(new KebabEnum(type)));
  }

  @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
  @JsonSubTypes({
    @JsonSubTypes.Type(value = Mechanics.Drum.class, name = "drum"),
    @JsonSubTypes.Type(value = Mechanics.Screw.class, name = "screw"),
    @JsonSubTypes.Type(value = Mechanics.Turning.class, name = "turning"),
    @JsonSubTypes.Type(value = Mechanics.Counting.class, name = "counting")
  })
  private interface MechanicsKinds {}

  @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
  @JsonSubTypes({
    @JsonSubTypes.Type(value = MoveStep.Absolute.class, name = "absolute"),
    @JsonSubTypes.Type(value = MoveStep.Incremental.class, name = "incremental"),
    @JsonSubTypes.Type(value = MoveStep.Jog.class, name = "jog"),
    @JsonSubTypes.Type(value = MoveStep.Dwell.class, name = "dwell")
  })
  private interface MoveKinds {}

  @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
  @JsonSubTypes({
    @JsonSubTypes.Type(value = InductionPlate.class, name = "induction"),
    @JsonSubTypes.Type(value = ServoPlate.class, name = "permanent-magnet"),
    @JsonSubTypes.Type(value = StepperPlate.class, name = "stepper")
  })
  private interface PlateKinds {}

  @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
  @JsonSubTypes({
    @JsonSubTypes.Type(value = DriveKind.Frequency.class, name = "frequency"),
    @JsonSubTypes.Type(value = DriveKind.Servo.class, name = "servo"),
    @JsonSubTypes.Type(value = DriveKind.Step.class, name = "step")
  })
  private interface DriveKinds {}

  @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
  @JsonSubTypes({
    @JsonSubTypes.Type(value = ControllerSheet.class, name = "controller"),
    @JsonSubTypes.Type(value = DriveSheet.class, name = "drive"),
    @JsonSubTypes.Type(value = MotorSheet.class, name = "motor"),
    @JsonSubTypes.Type(value = PartSheet.class, name = "part")
  })
  private interface SheetKinds {}

  @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
  @JsonSubTypes({
    @JsonSubTypes.Type(value = NumberSetting.class, name = "number"),
    @JsonSubTypes.Type(value = ChoiceSetting.class, name = "choice")
  })
  private interface SettingKinds {}

  @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
  @JsonSubTypes({
    @JsonSubTypes.Type(value = SettingRule.Rewrites.class, name = "rewrites"),
    @JsonSubTypes.Type(value = SettingRule.Resets.class, name = "resets"),
    @JsonSubTypes.Type(value = SettingRule.Locked.class, name = "locked"),
    @JsonSubTypes.Type(value = SettingRule.AtStandstill.class, name = "at-standstill"),
    @JsonSubTypes.Type(value = SettingRule.Confirmed.class, name = "confirmed"),
    @JsonSubTypes.Type(value = SettingRule.SpoilsTuning.class, name = "spoils-tuning"),
    @JsonSubTypes.Type(value = SettingRule.OfTheLink.class, name = "of-the-link")
  })
  private interface RuleKinds {}

  /** A setting is a plain number or a plain word. */
  private static final class SettingValueWriter extends JsonSerializer<SettingValue> {
    @Override
    public void serialize(SettingValue value, JsonGenerator out, SerializerProvider provider)
        throws IOException {
      if (value instanceof SettingValue.Number number) {
        out.writeNumber(number.value());
      } else {
        out.writeString(((SettingValue.Choice) value).value());
      }
    }
  }

  private static final class SettingValueReader extends JsonDeserializer<SettingValue> {
    @Override
    public SettingValue deserialize(JsonParser in, DeserializationContext context)
        throws IOException {
      if (in.currentToken() == JsonToken.VALUE_STRING) {
        return new SettingValue.Choice(in.getText());
      }
      if (in.currentToken().isNumeric()) {
        return new SettingValue.Number(in.getDoubleValue());
      }
      throw JsonMappingException.from(in, "a setting is a number or a word, not " + in.getText());
    }
  }

  /** A size is written as on a schedule: {@code 0.75 mm²} or {@code AWG 18}. */
  private static final class SizeWriter extends JsonSerializer<ConductorSize> {
    @Override
    public void serialize(ConductorSize size, JsonGenerator out, SerializerProvider provider)
        throws IOException {
      out.writeString(size.toString());
    }
  }

  private static final class SizeReader extends JsonDeserializer<ConductorSize> {
    @Override
    public ConductorSize deserialize(JsonParser in, DeserializationContext context)
        throws IOException {
      try {
        return ConductorSize.parse(in.getValueAsString(""));
      } catch (IllegalArgumentException e) {
        throw JsonMappingException.from(in, e.getMessage());
      }
    }
  }

  /** An address is written as the program has it: {@code %IX0.3}. */
  private static final class AddressWriter extends JsonSerializer<IoAddress> {
    @Override
    public void serialize(IoAddress address, JsonGenerator out, SerializerProvider provider)
        throws IOException {
      out.writeString(address.toString());
    }
  }

  private static final class AddressReader extends JsonDeserializer<IoAddress> {
    @Override
    public IoAddress deserialize(JsonParser in, DeserializationContext context) throws IOException {
      try {
        return IoAddress.parse(in.getValueAsString(""));
      } catch (IllegalArgumentException e) {
        throw JsonMappingException.from(in, e.getMessage());
      }
    }
  }

  private static final class UnitWriter extends JsonSerializer<MeasureUnit> {
    @Override
    public void serialize(MeasureUnit unit, JsonGenerator out, SerializerProvider provider)
        throws IOException {
      out.writeString(unit.symbol());
    }
  }

  private static final class UnitReader extends JsonDeserializer<MeasureUnit> {
    @Override
    public MeasureUnit deserialize(JsonParser in, DeserializationContext context)
        throws IOException {
      String symbol = in.getValueAsString("");
      if (symbol.isEmpty()) {
        return MeasureUnit.ONE;
      }
      return MeasureUnit.ofSymbol(symbol)
          .orElseThrow(() -> JsonMappingException.from(in, "unit '" + symbol + "' is not known"));
    }
  }

  /**
   * Constants read as lower-case words with hyphens: {@code DIGITAL_INPUT} is {@code
   * digital-input}.
   */
  private static final class KebabEnums extends BeanDeserializerModifier {
    private static final long serialVersionUID = 1L;

    @Override
    public JsonDeserializer<?> modifyEnumDeserializer(
        DeserializationConfig config,
        JavaType type,
        BeanDescription description,
        JsonDeserializer<?> usual) {
      return type.getRawClass() == MeasureUnit.class ? usual : new KebabEnum(type.getRawClass());
    }
  }

  @SuppressWarnings("rawtypes") // The module asks for the raw type.
  private static final class KebabWriter extends JsonSerializer<Enum> {
    @Override
    public void serialize(Enum constant, JsonGenerator out, SerializerProvider provider)
        throws IOException {
      out.writeString(KebabEnum.kebab(constant));
    }
  }

  @SuppressWarnings("rawtypes") // The module asks for the raw type.
  private static final class KebabKeyWriter extends JsonSerializer<Enum> {
    @Override
    public void serialize(Enum constant, JsonGenerator out, SerializerProvider provider)
        throws IOException {
      out.writeFieldName(KebabEnum.kebab(constant));
    }
  }

  private static final class KebabKeyReader extends KeyDeserializer {
    private final KebabEnum words;

    KebabKeyReader(KebabEnum words) {
      this.words = words;
    }

    @Override
    public Object deserializeKey(String key, DeserializationContext context) throws IOException {
      return words
          .of(key)
          .orElseThrow(
              () ->
                  JsonMappingException.from(
                      context, "'%s' is not one of %s".formatted(key, words.words())));
    }
  }

  private static final class KebabEnum extends JsonDeserializer<Object> {
    private final Object[] constants;

    KebabEnum(Class<?> type) {
      constants = type.getEnumConstants();
    }

    @Override
    public Object deserialize(JsonParser in, DeserializationContext context) throws IOException {
      String word = in.getValueAsString("");
      return of(word)
          .orElseThrow(
              () ->
                  JsonMappingException.from(in, "'%s' is not one of %s".formatted(word, words())));
    }

    Optional<Object> of(String word) {
      return Arrays.stream(constants).filter(c -> kebab(c).equals(word)).findFirst();
    }

    private String words() {
      return Arrays.stream(constants).map(KebabEnum::kebab).collect(Collectors.joining(", "));
    }

    private static String kebab(Object constant) {
      return ((Enum<?>) constant).name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
  }
}
