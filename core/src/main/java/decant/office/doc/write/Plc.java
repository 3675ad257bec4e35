package decant.office.doc.write;

/** Places in the text with what is said of each ([MS-DOC] 2.2.2): all places, then all that. */
final class Plc {
  private final Bytes places = new Bytes();
  private final Bytes data = new Bytes();

  Plc add(long place, Bytes what) {
    places.u32(place);
    data.add(what.array());
    return this;
  }

  Plc add(long place) {
    places.u32(place);
    return this;
  }

  boolean isEmpty() {
    return places.size() == 0;
  }

  /**
   * The whole.
   *
   * @param end the place that the last one reaches to
   */
  Bytes end(long end) {
    return new Bytes().add(places.array()).u32(end).add(data.array());
  }
}
