package decant.pdf.read.page;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;

/** Which things of a list belong together, directly or through others: disjoint sets. */
public final class Groups {
  private final int[] parent;

  public Groups(int size) {
    parent = new int[size];
    for (int k = 0; k < size; k++) {
      parent[k] = k;
    }
  }

  public void join(int a, int b) {
    parent[root(a)] = root(b);
  }

  /** The groups, by their first members, each in the order of the list. */
  public <T> List<List<T>> of(List<T> things) {
    var out = new LinkedHashMap<Integer, List<T>>();
    for (int k = 0; k < parent.length; k++) {
      out.computeIfAbsent(root(k), r -> new ArrayList<>()).add(things.get(k));
    }
    return List.copyOf(out.values());
  }

  private int root(int k) {
    int r = k;
    while (parent[r] != r) {
      parent[r] = parent[parent[r]];
      r = parent[r];
    }
    return r;
  }
}
