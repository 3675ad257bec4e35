package decant.office.docx.weave;

import decant.office.xml.Element;
import decant.reading.ReadProblem;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** The lists of a numbering part (§17.9): instances by number, and the definitions they follow. */
record Lists(Map<String, Element> instances, Map<String, Element> definitions) {
  static final Lists NONE = new Lists(Map.of(), Map.of());
  private static final String DEFINITION = "abstractNum";
  private static final String FOLLOWED = "abstractNumId";

  /** Brings an element of ours into the source. */
  @FunctionalInterface
  interface Importing {
    Element of(Element ours) throws ReadProblem;
  }

  static Lists of(Element root) {
    Map<String, Element> instances = new LinkedHashMap<>();
    Map<String, Element> definitions = new LinkedHashMap<>();
    for (Element e : root.elements()) {
      switch (Markup.local(e)) {
        case "num" -> Markup.attribute(e, "numId").ifPresent(id -> instances.putIfAbsent(id, e));
        case DEFINITION ->
            Markup.attribute(e, FOLLOWED).ifPresent(id -> definitions.putIfAbsent(id, e));
        default -> {}
      }
    }
    return new Lists(instances, definitions);
  }

  private static String followed(@Nullable Element instance) {
    if (instance == null) {
      return "";
    }
    return instance.elements().stream()
        .filter(e -> Markup.local(e).equals(FOLLOWED))
        .findFirst()
        .flatMap(e -> Markup.attribute(e, "val"))
        .orElse("");
  }

  /** All that an instance says, its definition included, whatever their numbers. */
  String said(String instance) {
    Element e = instances.get(instance);
    if (e == null) {
      return "";
    }
    var b = new StringBuilder();
    for (Element c : e.elements()) {
      if (!Markup.local(c).equals(FOLLOWED)) {
        b.append(c);
      }
    }
    Element definition = definitions.get(followed(e));
    return b.append(definition == null ? "" : definition.children()).toString();
  }

  /**
   * The source's part with what is new or different in this one; empty if nothing is.
   *
   * @param own those of the source
   * @param was those that we wrote before
   */
  Optional<Element> into(Lists own, Lists was, Element root, Importing importing)
      throws ReadProblem {
    Map<String, String> known = new HashMap<>();
    List<String> different = new ArrayList<>();
    for (String id : instances.keySet()) {
      if (own.instances().containsKey(id) && said(id).equals(was.said(id))) {
        known.putIfAbsent(followed(instances.get(id)), followed(own.instances().get(id)));
      } else {
        different.add(id);
      }
    }
    if (different.isEmpty()) {
      return Optional.empty();
    }
    long next = 1;
    for (String id : own.definitions().keySet()) {
      next = Math.max(next, id.matches("\\d{1,9}") ? Long.parseLong(id) + 1 : 1);
    }
    List<Object> newDefinitions = new ArrayList<>();
    Map<String, Element> newInstances = new LinkedHashMap<>();
    for (String id : different) {
      Element instance = Objects.requireNonNull(instances.get(id));
      String definition = followed(instance);
      Element ours = definitions.get(definition);
      if (!known.containsKey(definition) && ours != null) {
        String number = Long.toString(next++);
        known.put(definition, number);
        Element copy = importing.of(ours);
        Map<String, String> attributes = new LinkedHashMap<>(copy.attributes());
        attributes.replaceAll((n, v) -> Markup.local(n).equals(FOLLOWED) ? number : v);
        newDefinitions.add(new Element(copy.name(), attributes, copy.children()));
      }
      newInstances.put(id, following(importing.of(instance), known.getOrDefault(definition, "0")));
    }
    return Optional.of(with(root, newDefinitions, newInstances));
  }

  private static Element following(Element instance, String definition) {
    List<Object> children = new ArrayList<>();
    for (Element c : instance.elements()) {
      if (Markup.local(c).equals(FOLLOWED)) {
        Map<String, String> attributes = new LinkedHashMap<>(c.attributes());
        attributes.replaceAll((n, v) -> Markup.local(n).equals("val") ? definition : v);
        children.add(new Element(c.name(), attributes, c.children()));
      } else {
        children.add(c);
      }
    }
    return new Element(instance.name(), instance.attributes(), children);
  }

  /** Definitions stand before instances (CT_Numbering). */
  private static Element with(
      Element root, List<Object> newDefinitions, Map<String, Element> newInstances) {
    List<Object> children = new ArrayList<>();
    int definitionsEnd = 0;
    int instancesEnd = 0;
    Map<String, Element> left = new LinkedHashMap<>(newInstances);
    for (Element e : root.elements()) {
      String name = Markup.local(e);
      Element now =
          name.equals("num") ? left.remove(Markup.attribute(e, "numId").orElse("")) : null;
      children.add(now == null ? e : now);
      if (name.equals("numPicBullet") || name.equals(DEFINITION)) {
        definitionsEnd = children.size();
      }
      if (!name.equals("numIdMacAtCleanup")) {
        instancesEnd = children.size();
      }
    }
    children.addAll(instancesEnd, left.values());
    children.addAll(definitionsEnd, newDefinitions);
    return new Element(root.name(), root.attributes(), children);
  }
}
