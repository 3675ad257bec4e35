package decant.pdf.file;

import java.lang.foreign.Arena;
import java.lang.foreign.FunctionDescriptor;
import java.lang.foreign.Linker;
import java.lang.foreign.MemorySegment;
import java.lang.foreign.SymbolLookup;
import java.lang.foreign.ValueLayout;
import java.lang.invoke.MethodHandle;
import java.util.Arrays;
import java.util.Deque;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentLinkedDeque;

/**
 * Compression by libdeflate (version 1 of its interface), which systems have for their pictures:
 * the same format as that of the virtual machine, smaller in a third of the time. Safe for several
 * threads.
 */
@SuppressWarnings("restricted") // it is what calling a library takes
final class NativeDeflate {
  /** Turns it off by the value {@code java}: files are then the same on all systems. */
  static final String PROPERTY = "decant.deflate";

  private static final String LIBRARY = "libdeflate.so.0";
  private static final Optional<NativeDeflate> INSTALLED = find();

  /** No garbage can be collected while bytes are read in their place; larger ones are copied. */
  private static final int LARGE = 1 << 20;

  private final MethodHandle alloc;
  private final MethodHandle bound;
  private final MethodHandle compress;
  private final MethodHandle compressInPlace;
  private final Map<Integer, Deque<MemorySegment>> idle = new ConcurrentHashMap<>();

  private NativeDeflate(SymbolLookup library) {
    Linker linker = Linker.nativeLinker();
    alloc =
        linker.downcallHandle(
            library.findOrThrow("libdeflate_alloc_compressor"),
            FunctionDescriptor.of(ValueLayout.ADDRESS, ValueLayout.JAVA_INT));
    bound =
        linker.downcallHandle(
            library.findOrThrow("libdeflate_zlib_compress_bound"),
            FunctionDescriptor.of(
                ValueLayout.JAVA_LONG, ValueLayout.ADDRESS, ValueLayout.JAVA_LONG));
    MemorySegment f = library.findOrThrow("libdeflate_zlib_compress");
    FunctionDescriptor d =
        FunctionDescriptor.of(
            ValueLayout.JAVA_LONG,
            ValueLayout.ADDRESS,
            ValueLayout.ADDRESS,
            ValueLayout.JAVA_LONG,
            ValueLayout.ADDRESS,
            ValueLayout.JAVA_LONG);
    compress = linker.downcallHandle(f, d);
    compressInPlace = linker.downcallHandle(f, d, Linker.Option.critical(true));
  }

  /** The library, if the system has it. */
  static Optional<NativeDeflate> installed() {
    return INSTALLED;
  }

  private static Optional<NativeDeflate> find() {
    if ("java".equals(System.getProperty(PROPERTY))) {
      return Optional.empty();
    }
    try {
      var found = new NativeDeflate(SymbolLookup.libraryLookup(LIBRARY, Arena.global()));
      return Optional.of(found);
    } catch (IllegalArgumentException
        | java.util.NoSuchElementException
        | UnsupportedOperationException
        | IllegalCallerException e) {
      return Optional.empty(); // the virtual machine's own does it
    }
  }

  /**
   * Compresses bytes in the format of RFC 1950.
   *
   * @param level 1 to 12
   */
  byte[] zlib(byte[] plain, int level) {
    Deque<MemorySegment> pool = idle.computeIfAbsent(level, l -> new ConcurrentLinkedDeque<>());
    MemorySegment compressor = pool.poll();
    try {
      if (compressor == null) {
        compressor = (MemorySegment) alloc.invokeExact(level);
        if (compressor.address() == 0) {
          throw new OutOfMemoryError("no room to compress");
        }
      }
      long room = (long) bound.invokeExact(compressor, (long) plain.length);
      return plain.length > LARGE
          ? copied(compressor, plain, room)
          : inPlace(compressor, plain, Math.toIntExact(room));
    } catch (RuntimeException | Error e) {
      throw e;
    } catch (Throwable e) {
      throw new IllegalStateException("the library throws nothing", e);
    } finally {
      if (compressor != null) {
        pool.push(compressor);
      }
    }
  }

  private byte[] inPlace(MemorySegment compressor, byte[] plain, int room) throws Throwable {
    byte[] out = new byte[room];
    long n =
        (long)
            compressInPlace.invokeExact(
                compressor,
                MemorySegment.ofArray(plain),
                (long) plain.length,
                MemorySegment.ofArray(out),
                (long) room);
    return Arrays.copyOf(out, Math.toIntExact(whole(n)));
  }

  private byte[] copied(MemorySegment compressor, byte[] plain, long room) throws Throwable {
    try (Arena arena = Arena.ofConfined()) {
      MemorySegment in = arena.allocate(plain.length);
      MemorySegment.copy(plain, 0, in, ValueLayout.JAVA_BYTE, 0, plain.length);
      MemorySegment out = arena.allocate(room);
      long n = (long) compress.invokeExact(compressor, in, (long) plain.length, out, room);
      return out.asSlice(0, whole(n)).toArray(ValueLayout.JAVA_BYTE);
    }
  }

  /** The library gives 0 where there is too little room, which its bound rules out. */
  private static long whole(long n) {
    if (n <= 0) {
      throw new IllegalStateException("compressed bytes take more room than they may");
    }
    return n;
  }
}
