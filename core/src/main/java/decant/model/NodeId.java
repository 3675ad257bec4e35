package decant.model;

import java.util.concurrent.atomic.AtomicLong;

/** The identity of a node, stable across edits and unique within the running program. */
public record NodeId(long value) {
  private static final AtomicLong NEXT = new AtomicLong(1);

  /** An identity never given out before. */
  public static NodeId fresh() {
    return new NodeId(NEXT.getAndIncrement());
  }

  @Override
  public String toString() {
    return "#" + value;
  }
}
