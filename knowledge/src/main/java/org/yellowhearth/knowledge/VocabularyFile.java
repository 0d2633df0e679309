package org.yellowhearth.knowledge;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.yellowhearth.core.fact.Place;
import org.yellowhearth.core.fact.StatedValue;
import org.yellowhearth.core.fact.VisualInspection;
import org.yellowhearth.core.knowledge.Vocabulary;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.part.Battery;
import org.yellowhearth.core.part.CanMark;
import org.yellowhearth.core.part.Fuse;
import org.yellowhearth.core.part.IntegratedCircuit;
import org.yellowhearth.core.part.Polarity;
import org.yellowhearth.core.part.Potentiometer;
import org.yellowhearth.core.part.RectifierTechnology;
import org.yellowhearth.core.part.Resistor;
import org.yellowhearth.core.part.Role;
import org.yellowhearth.core.part.Sort;
import org.yellowhearth.core.part.Transistor;
import org.yellowhearth.core.part.Valve;
import org.yellowhearth.core.part.Winding;
import org.yellowhearth.knowledge.json.JsonValue;

/** Reads the words that may be typed at the bench line. */
final class VocabularyFile {
  /** The constants that have words of their own, by the name of their type in the file. */
  private static final List<Class<? extends Coded>> TYPES =
      List.of(
          Resistor.Make.class,
          Resistor.Task.class,
          Potentiometer.Taper.class,
          RectifierTechnology.class,
          Transistor.Channel.class,
          Transistor.Material.class,
          IntegratedCircuit.Task.class,
          Valve.Task.class,
          Winding.Task.class,
          Fuse.Speed.class,
          Battery.Chemistry.class,
          CanMark.class,
          VisualInspection.Sign.class,
          StatedValue.Origin.class,
          Place.Height.class);

  private static final int MOST_SIGNS = 100;

  private VocabularyFile() {}

  static Vocabulary read(JsonValue v, Map<String, String> kindWords) {
    v.object("format", "version", "roles", "polarities", "letters", "sorts", "constants", "signs");
    return new Vocabulary(
        kindWords,
        words(v.field("roles"), Role.values()),
        words(v.field("polarities"), Polarity.values()),
        words(v.field("letters"), Sort.values()),
        words(v.field("sorts"), Sort.values()),
        constants(v.field("constants")),
        signs(v.field("signs")));
  }

  /** The words of each sign, by its id in the rules of the trade. */
  private static Map<String, String> signs(JsonValue v) {
    Map<String, String> signs = new LinkedHashMap<>();
    for (JsonValue one : v.list(MOST_SIGNS)) {
      one.object("sign", "words");
      String id = one.text("sign", 40);
      KnowledgeFiles.texts(one.field("words"))
          .forEach(w -> KnowledgeFiles.claim(signs, w, id, one));
    }
    return signs;
  }

  private static <C extends Coded> Map<String, C> words(JsonValue v, C[] constants) {
    v.object(Stream.of(constants).map(Coded::code).toArray(String[]::new));
    Map<String, C> words = new LinkedHashMap<>();
    for (C constant : constants) {
      v.optional(constant.code())
          .ifPresent(list ->
              KnowledgeFiles.texts(list)
                  .forEach(w -> KnowledgeFiles.claim(words, w, constant, list)));
    }
    return words;
  }

  /** A word may mean several constants, one for each type: silicon is a diode or a transistor. */
  private static Map<String, List<Coded>> constants(JsonValue v) {
    v.object(TYPES.stream().map(VocabularyFile::name).toArray(String[]::new));
    Map<String, List<Coded>> constants = new HashMap<>();
    for (Class<? extends Coded> type : TYPES) {
      Map<String, Coded> ofType = new HashMap<>();
      v.optional(name(type)).ifPresent(t -> ofType.putAll(words(t, type.getEnumConstants())));
      ofType.forEach((word, constant) ->
          constants.computeIfAbsent(word, _ -> new ArrayList<>()).add(constant));
    }
    return constants;
  }

  private static String name(Class<?> type) {
    return type.getDeclaringClass() == null
        ? type.getSimpleName()
        : type.getDeclaringClass().getSimpleName() + "." + type.getSimpleName();
  }
}
