using Incisura.Core.Cutters;
using Incisura.Core.Geometry;
using Incisura.Exchange.Editions;
using Incisura.Exchange.Paper;
using PdfSharp.Pdf;
using PdfSharp.Pdf.IO;

namespace Incisura.Exchange.Tests;

/// <summary>Data cards: one to a page, of the size asked for, with whatever a record has or lacks.</summary>
public sealed class DataCardTests
{
    private static PublishedRecord Record(int figures) => new(
        "R-0001", 2, new("side-rough", "Rough side milling"), new("42CrMo4", "quenched and tempered", "P", "P.5") { Hardness = 300 }, new("Brindle"),
        new("C-0020", "square end mill", "carbide", "", "", "right", new Dictionary<string, double> { ["DC"] = 12 }),
        new("A-1042", 38, 108, "H-401", "collet holder", "SK 40", [], "Cabinet 1", [new("Brindle", 5)]) { LengthRegister = 12 }, "11",
        [
            .. Enumerable.Range(0, figures).Select(
                i => new PublishedFigure(i == 0 ? "spindleSpeed" : $"f{i}", "n", $"Figure {i}", "spindleSpeed", 3183.1, "row")),
        ],
        [new("wallHeight", "", "Wall height", "length", 30, true)], [new("coolant", "Coolant", "flood", "flood")],
        [new("torque", "Torque", "torque", 6, false, "stop") { Allowed = 12, Use = 0.5 }],
        [new("held", "caution", "The wall bends.", "The wall bends.", [], "")], [new("held", "The wall bends.", "Finishing follows.", "tobiah")],
        new("computed", ""), [], new string('n', 300) + " note", "maren", "tobiah", "2026-11-26T12:00:00.000Z")
    { Until = "2026-12-31", Pieces = 40 };

    private static Profile Outline => new(
        ProfileShape.Revolved,
        [new(ProfilePart.Cutting, 0, 6, 26, 6), new(ProfilePart.Shank, 26, 6, 38, 6), new(ProfilePart.Holder, 38, 20, 108, 25)]);

    private static PdfDocument Open(byte[] pdf) => PdfReader.Open(new MemoryStream(pdf), PdfDocumentOpenMode.Import);

    private static byte[] Draw(CardPaper paper, params DataCard[] cards) =>
        new DataCards(paper, Inch: false, "edition 1", "2026-11-27 12:00").Draw(cards);

    [Theory]
    [InlineData(CardPaper.A4, 210, 297)]
    [InlineData(CardPaper.A6, 105, 148)]
    public void Each_record_is_a_page_of_the_size_asked_for(CardPaper paper, double width, double height)
    {
        DataCard card = new(Record(12), "Withdrawn since this edition.", Outline, "http://127.0.0.1/lookup?q=R-0001");
        using PdfDocument document = Open(Draw(paper, card, card with { Warning = "", Outline = Profile.None }, card with { Record = Record(0) }));
        Assert.Equal(3, document.PageCount);
        for (int i = 0; i < 3; i++)
        {
            Assert.Equal(width, document.Pages[i].Width.Millimeter, 1);
            Assert.Equal(height, document.Pages[i].Height.Millimeter, 1);
        }
    }

    [Fact]
    public void A_warning_a_picture_and_the_units_are_seen_on_it()
    {
        DataCard plain = new(Record(6), "", Profile.None, "http://127.0.0.1/lookup");
        int Bytes(DataCard card) => Draw(CardPaper.A6, card).Length;
        Assert.True(Bytes(plain with { Warning = "Withdrawn since this edition: do not use these figures." }) > Bytes(plain));
        Assert.True(Bytes(plain with { Outline = Outline }) > Bytes(plain));
        byte[] inch = new DataCards(CardPaper.A6, Inch: true, "edition 1", "2026-11-27 12:00").Draw([plain]);
        Assert.NotEqual(Draw(CardPaper.A6, plain).Length, inch.Length);
    }
}
