package decant.verify.pdf;

import decant.verify.Check;
import decant.words.Words;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationWidget;
import org.apache.pdfbox.pdmodel.interactive.form.PDButton;
import org.apache.pdfbox.pdmodel.interactive.form.PDChoice;
import org.apache.pdfbox.pdmodel.interactive.form.PDField;

/** Whether the places to fill in are fields that hold what is filled in. */
final class FieldCheck {
  private static final Words WORDS = Words.of(FieldCheck.class);

  private FieldCheck() {}

  /** Empty if no fields should be there. */
  static Optional<Check> of(PDDocument pdf, Expected expected) throws IOException {
    if (expected.fields().isEmpty()) {
      return Optional.empty();
    }
    var texts = new HashMap<String, List<String>>();
    var on = new ArrayList<String>();
    int widgets = 0;
    Set<COSDictionary> made = Collections.newSetFromMap(new IdentityHashMap<>());
    for (int k : expected.made(pdf)) {
      pdf.getPage(k).getAnnotations().forEach(a -> made.add(a.getCOSObject()));
    }
    var form = pdf.getDocumentCatalog().getAcroForm();
    if (form != null) {
      for (PDField f : form.getFieldTree()) {
        List<PDAnnotationWidget> here =
            f.getWidgets().stream().filter(w -> made.contains(w.getCOSObject())).toList();
        widgets += here.size();
        if (f instanceof PDButton) {
          here.stream().filter(FieldCheck::isOn).forEach(w -> on.add(f.getFullyQualifiedName()));
        } else {
          texts
              .computeIfAbsent(f.getFullyQualifiedName(), k -> new ArrayList<>())
              .add(
                  Expected.bare(
                      f instanceof PDChoice c
                          ? String.join(" ", c.getValue())
                          : f.getValueAsString()));
        }
      }
    }
    int wanted = expected.fields().size();
    return Optional.of(
        wrong(expected, texts, on)
            .map(name -> failed(WORDS.say("field-check.does-not-hold-its-text", name)))
            .orElse(
                Check.of(
                    WORDS.say("field-check.name"),
                    widgets == wanted,
                    WORDS.count("field-check.to-fill-in", wanted),
                    WORDS.say("field-check.instead-of", widgets, wanted))));
  }

  private static boolean isOn(PDAnnotationWidget w) {
    String state = w.getCOSObject().getNameAsString(COSName.AS, "Off");
    return !state.equals("Off");
  }

  /** The name of the first field that holds something else. */
  private static Optional<String> wrong(
      Expected expected, Map<String, List<String>> texts, List<String> on) {
    for (Expected.Filled f : expected.fields().values()) {
      String name = f.field().name();
      boolean holds = f.field().holds(f.text());
      if (f.field().isSwitch()) {
        Optional<String> found = on.stream().filter(n -> n.startsWith(name)).findFirst();
        if (holds && found.isEmpty()) {
          return Optional.of(name);
        }
        if (holds) {
          on.remove(found.get());
        }
      } else if (holds && !name.isBlank()) {
        String value = Expected.bare(f.field().value(f.text()));
        boolean there =
            texts.entrySet().stream()
                .anyMatch(e -> e.getKey().startsWith(name) && e.getValue().contains(value));
        if (!there) {
          return Optional.of(name);
        }
      }
    }
    return on.stream().findFirst(); // on, though nobody ticked it
  }

  private static Check failed(String detail) {
    return Check.of(WORDS.say("field-check.name"), false, "", detail);
  }
}
