using System.Net;
using System.Text;
using Incisura.Web.Reports;
using SkiaSharp;

namespace Incisura.Web.Tests;

/// <summary>Photos of reports: small, upright, and with nothing in them but what is seen.</summary>
public sealed class PhotoTests(Workshop workshop) : IClassFixture<Workshop>
{
    private const string Where = "GPS 47.1 N 8.5 E";

    // The left half red and the right half blue, as the camera took it.
    private static byte[] Picture(int width, int height, SKEncodedImageFormat format = SKEncodedImageFormat.Jpeg)
    {
        using SKBitmap bitmap = new(width, height);
        using SKCanvas canvas = new(bitmap);
        canvas.Clear(SKColors.Blue);
        using SKPaint red = new() { Color = SKColors.Red };
        canvas.DrawRect(0, 0, width / 2, height, red);
        using SKData data = bitmap.Encode(format, 90);
        return data.ToArray();
    }

    // An EXIF block that says how the camera was held, and where.
    private static byte[] Held(byte[] jpeg, byte orientation)
    {
        byte[] tiff =
        [
            .. "MM"u8, 0, 42, 0, 0, 0, 8, 0, 1, 0x01, 0x12, 0, 3, 0, 0, 0, 1, 0, orientation, 0, 0, 0, 0, 0, 0, .. Encoding.ASCII.GetBytes(Where),
        ];
        byte[] block = [.. "Exif"u8, 0, 0, .. tiff];
        int length = block.Length + 2;
        return [.. jpeg[..2], 0xff, 0xe1, (byte)(length >> 8), (byte)length, .. block, .. jpeg[2..]];
    }

    private static bool IsRed(SKBitmap bitmap, double x, double y)
    {
        SKColor at = bitmap.GetPixel((int)(x * (bitmap.Width - 1)), (int)(y * (bitmap.Height - 1)));
        return at.Red > at.Blue;
    }

    [Theory]
    [InlineData(1, false, 0.1, 0.5)]
    [InlineData(2, false, 0.9, 0.5)]
    [InlineData(3, false, 0.9, 0.5)]
    [InlineData(4, false, 0.1, 0.5)]
    [InlineData(5, true, 0.5, 0.1)]
    [InlineData(6, true, 0.5, 0.1)]
    [InlineData(7, true, 0.5, 0.9)]
    [InlineData(8, true, 0.5, 0.9)]
    public void However_the_camera_was_held_it_is_upright_and_where_it_was_taken_is_gone(byte held, bool lies, double redX, double redY)
    {
        byte[] sent = Held(Picture(400, 200), held);
        Assert.Contains(Where, Encoding.Latin1.GetString(sent), StringComparison.Ordinal);
        byte[] kept = Photos.Of(sent)!;
        Assert.DoesNotContain("Exif", Encoding.Latin1.GetString(kept), StringComparison.Ordinal);
        Assert.DoesNotContain(Where, Encoding.Latin1.GetString(kept), StringComparison.Ordinal);
        using SKBitmap seen = SKBitmap.Decode(kept);
        Assert.Equal(lies ? (200, 400) : (400, 200), (seen.Width, seen.Height));
        Assert.True(IsRed(seen, redX, redY));
        Assert.False(IsRed(seen, 1 - redX, 1 - redY));
    }

    [Theory]
    [InlineData(3000, 1500, 1600, 800)]
    [InlineData(20, 4000, 8, 1600)]
    [InlineData(1, 1, 1, 1)]
    public void What_is_too_large_is_shrunk_in_proportion(int width, int height, int keptWidth, int keptHeight)
    {
        using SKBitmap seen = SKBitmap.Decode(Photos.Of(Picture(width, height, SKEncodedImageFormat.Png)));
        Assert.Equal((keptWidth, keptHeight), (seen.Width, seen.Height));
    }

    [Fact]
    public void What_is_broken_or_would_fill_the_memory_is_no_photo()
    {
        byte[] whole = Picture(400, 200);
        Assert.Null(Photos.Of([]));
        Assert.Null(Photos.Of(whole[..8]));
        Assert.Null(Photos.Of(Encoding.UTF8.GetBytes("<svg xmlns='http://www.w3.org/2000/svg'/>")));

        // A few bytes that say they are ten billion pixels.
        byte[] png = Picture(4, 4, SKEncodedImageFormat.Png);
        png.AsSpan(16, 8).Clear();
        (png[17], png[21]) = (1, 2);
        Assert.Null(Photos.Of(png));
    }

    [Fact]
    public async Task It_comes_with_its_report_once_and_is_for_those_who_decide()
    {
        Caller jory = await workshop.SignInAsync("jory"), maren = await workshop.SignInAsync("maren");
        object report = new
        {
            key = Guid.NewGuid(),
            record = "R-0001",
            revision = 1,
            edition = 1,
            ranAt = DateTimeOffset.UtcNow,
            outcome = "withChanges",
            photo = Convert.ToBase64String(Held(Picture(400, 200), 6)),
        };
        for (int i = 0; i < 2; i++)
        {
            Answer sent = (await jory.PostAsync("/reports", report)).Expect(HttpStatusCode.OK);
            Assert.True(sent["hasPhoto"].GetBoolean());
            Assert.Equal(System.Text.Json.JsonValueKind.Null, sent["report"].GetProperty("photo").ValueKind);
        }

        int id = Assert.Single((await maren.GetAsync("/records/R-0001/reports"))["reports"].EnumerateArray()).GetProperty("id").GetInt32();
        byte[] kept = await maren.BytesAsync($"/records/R-0001/reports/{id}/photo");
        using SKBitmap seen = SKBitmap.Decode(kept);
        Assert.Equal((200, 400), (seen.Width, seen.Height));
        (await maren.GetAsync($"/records/R-0002/reports/{id}/photo")).Expect(HttpStatusCode.NotFound);
        (await jory.GetAsync($"/records/R-0001/reports/{id}/photo")).Expect(HttpStatusCode.Forbidden);
    }
}
