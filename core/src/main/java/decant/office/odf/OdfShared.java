package decant.office.odf;

import decant.model.NodeId;
import decant.model.Story;
import decant.model.finding.Finding;
import decant.model.look.Comment;
import decant.model.look.Kept;
import decant.model.look.ListDefinition;
import decant.model.look.Media;
import decant.model.look.MediaId;
import decant.office.odf.markup.KeptObject;
import decant.picture.PicturesOnce;
import decant.reading.ReadProblem;
import decant.reading.TakenIn;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** What is gathered while a file is read, from its text, its headers and its notes alike. */
final class OdfShared {
  private static final int PLACES = 20; // the first few places stand for the rest

  final OdfStyles styles;
  final List<Finding> findings = new ArrayList<>();
  final Map<MediaId, Media> media = new LinkedHashMap<>();
  final PicturesOnce pictures = new PicturesOnce();
  final Map<NodeId, Story> stories = new LinkedHashMap<>();
  final Map<String, ListDefinition> lists = new LinkedHashMap<>();
  final List<TakenIn.PageBreak> breaks = new ArrayList<>();
  final Set<String> used = new HashSet<>();

  /** Names of headings that links lead to. */
  final Set<String> outlineLinks = new LinkedHashSet<>();

  final MixedTexts texts = new MixedTexts();
  final OdfForms forms = new OdfForms();
  final OdfChanges changes = new OdfChanges();

  /** The comments whose range is open, by their names. */
  final Map<String, Comment> openComments = new LinkedHashMap<>();

  /** The names of the comments that have an end somewhere. */
  final Set<String> ending = new HashSet<>();

  /** The width of the text of a page, for what says its own as a share of it; in points. */
  double textWidth = 450;

  /**
   * The list that was read last, by the list style that it has, and by the name it gives itself.
   */
  final Map<String, String> lastOfStyle = new HashMap<>();

  final Map<String, String> listNames = new HashMap<>();

  /** Whether any text was read: a break before the first of it breaks nothing. */
  boolean begun;

  private final @Nullable OdfParts file;
  private final Map<String, Integer> counted = new HashMap<>();
  private int fields;
  private int comments;

  /**
   * @param file that parts are taken from; none for a file that is one whole
   */
  OdfShared(OdfStyles styles, @Nullable OdfParts file) {
    this.styles = styles;
    this.file = file;
  }

  void find(Finding.Kind kind, Finding.Severity severity, String message, NodeId at) {
    if (counted.merge(message, 1, Integer::sum) <= PLACES) {
      findings.add(Finding.of(kind, severity, message, at));
    }
  }

  /**
   * The bytes of a part that a reference leads to, inside the file; empty if it leads elsewhere.
   */
  Optional<byte[]> part(String href) throws ReadProblem {
    String name = href.startsWith("./") ? href.substring(2) : href;
    if (file == null || name.isEmpty() || name.contains(":") || name.startsWith("/")) {
      return Optional.empty();
    }
    used.add(name);
    return file.bytes(name);
  }

  /** A picture that cannot be shown goes back as it is. */
  Kept keptPicture(String href) {
    used.remove(href.startsWith("./") ? href.substring(2) : href);
    return KeptObject.kept("draw:image", href);
  }

  /** Whether the file is a package of parts. */
  boolean isPackage() {
    return file != null;
  }

  String fieldId() {
    return "s" + ++fields;
  }

  String commentId() {
    return "c" + ++comments;
  }

  /** A list that goes on from another, counting from another number at one depth. */
  String goesOn(ListDefinition l, int depth, int start) {
    String id = "L" + (lists.size() + 1);
    lists.put(
        id,
        new ListDefinition(
            id, l.series(), Set.of(depth), l.with(depth, l.level(depth).from(start))));
    return id;
  }

  /** A list that counts on from another one, in its own manner. */
  String countedOn(String other, List<ListDefinition.Level> levels) {
    ListDefinition l = lists.get(other);
    if (l == null || levels.isEmpty() || inSameManner(l.levels(), levels)) {
      return other;
    }
    String id = "L" + (lists.size() + 1);
    lists.put(id, new ListDefinition(id, l.series(), Set.of(), levels));
    return id;
  }

  /** Whether levels differ at most in the number that they begin with. */
  private static boolean inSameManner(List<ListDefinition.Level> a, List<ListDefinition.Level> b) {
    for (int k = 0; k < Math.min(a.size(), b.size()); k++) {
      if (!a.get(k).from(1).equals(b.get(k).from(1))) {
        return false;
      }
    }
    return true;
  }

  /** A list of its own with these levels. */
  String newList(List<ListDefinition.Level> levels) {
    String id = "L" + (lists.size() + 1);
    lists.put(id, new ListDefinition(id, levels));
    return id;
  }
}
