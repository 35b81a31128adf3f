using SkiaSharp;

namespace Incisura.Web.Reports;

/// <summary>Makes of a photo what may be kept: small, upright, and with nothing in it but what is seen; where and when it was taken is gone.</summary>
public static class Photos
{
    /// <summary>Most bytes a photo may have as it is sent.</summary>
    public const int MostBytes = 700 * 1024;

    // A picture is decoded whole where its form knows no smaller scale, at four bytes a pixel, and one at a time.
    private const int LongestEdge = 1600, MostPixels = 60_000_000, MostDecoded = 16_000_000, Quality = 80;

    private static readonly SemaphoreSlim Turn = new(1, 1);

    /// <summary>The same, when its turn has come.</summary>
    public static async Task<byte[]?> OfAsync(byte[] sent, CancellationToken cancel)
    {
        await Turn.WaitAsync(cancel);
        try
        {
            return Of(sent);
        }
        finally
        {
            Turn.Release();
        }
    }

    /// <summary>The picture made anew as JPEG; null where it cannot be read or is too large to be.</summary>
    public static byte[]? Of(byte[] sent)
    {
        using SKData data = SKData.CreateCopy(sent);
        using SKCodec? codec = SKCodec.Create(data);
        if (codec is null || (long)codec.Info.Width * codec.Info.Height > MostPixels) return null;
        float scale = Math.Min(1, (float)LongestEdge / Math.Max(codec.Info.Width, codec.Info.Height));
        SKSizeI near = codec.GetScaledDimensions(scale);
        if ((long)near.Width * near.Height > MostDecoded) return null;
        using SKBitmap read = new(new SKImageInfo(near.Width, near.Height, SKColorType.Rgba8888, SKAlphaType.Premul));

        // One that was cut off on its way is no picture of what happened.
        if (codec.GetPixels(read.Info, read.GetPixels()) != SKCodecResult.Success) return null;

        SKEncodedOrigin origin = codec.EncodedOrigin;
        bool lies = origin >= SKEncodedOrigin.LeftTop;
        int width = Math.Max(1, (int)(codec.Info.Width * scale)), height = Math.Max(1, (int)(codec.Info.Height * scale));
        using SKSurface surface = SKSurface.Create(new SKImageInfo(lies ? height : width, lies ? width : height));
        SKCanvas canvas = surface.Canvas;
        canvas.Clear(SKColors.White);
        canvas.SetMatrix(Upright(origin, width, height));
        using SKImage image = SKImage.FromBitmap(read);
        canvas.DrawImage(image, new SKRect(0, 0, width, height), new SKSamplingOptions(SKCubicResampler.Mitchell));
        using SKImage drawn = surface.Snapshot();
        using SKData jpeg = drawn.Encode(SKEncodedImageFormat.Jpeg, Quality);
        return jpeg.ToArray();
    }

    // From the picture as it was taken, width by height, to the picture as it was seen.
    private static SKMatrix Upright(SKEncodedOrigin origin, int width, int height) => origin switch
    {
        SKEncodedOrigin.TopRight => new(-1, 0, width, 0, 1, 0, 0, 0, 1),
        SKEncodedOrigin.BottomRight => new(-1, 0, width, 0, -1, height, 0, 0, 1),
        SKEncodedOrigin.BottomLeft => new(1, 0, 0, 0, -1, height, 0, 0, 1),
        SKEncodedOrigin.LeftTop => new(0, 1, 0, 1, 0, 0, 0, 0, 1),
        SKEncodedOrigin.RightTop => new(0, -1, height, 1, 0, 0, 0, 0, 1),
        SKEncodedOrigin.RightBottom => new(0, -1, height, -1, 0, width, 0, 0, 1),
        SKEncodedOrigin.LeftBottom => new(0, 1, 0, -1, 0, width, 0, 0, 1),
        _ => SKMatrix.Identity,
    };
}
