using System.IO.Compression;

namespace Incisura.Data;

/// <summary>Bytes as they are kept where they are many and alike.</summary>
internal static class Packed
{
    public static byte[] Pack(ReadOnlySpan<byte> bytes)
    {
        using MemoryStream packed = new();
        using (BrotliStream brotli = new(packed, CompressionLevel.Fastest)) brotli.Write(bytes);
        return packed.ToArray();
    }

    public static byte[] Unpack(byte[] packed)
    {
        using BrotliStream brotli = new(new MemoryStream(packed), CompressionMode.Decompress);
        using MemoryStream bytes = new();
        brotli.CopyTo(bytes);
        return bytes.ToArray();
    }
}
