using System.Text.Json.Serialization;
using Incisura.Core.Calculation;
using Incisura.Core.Checks;
using Incisura.Core.Quantities;
using PdfSharp.Drawing;
using PdfSharp.Pdf;

namespace Incisura.Exchange.Paper;

/// <summary>One label.</summary>
/// <param name="Number">Number in large letters.</param>
/// <param name="Lines">Lines below it.</param>
/// <param name="Link">What its code holds.</param>
public sealed record Label(string Number, IReadOnlyList<string> Lines, string Link);

/// <summary>A sheet of labels, lengths in mm.</summary>
public sealed record LabelSheet
{
    /// <summary>Width of the page.</summary>
    public double PageWidth { get; init; } = 210;

    /// <summary>Height of the page.</summary>
    public double PageHeight { get; init; } = 297;

    /// <summary>Margin left and right.</summary>
    public double SideMargin { get; init; } = 8;

    /// <summary>Margin above and below.</summary>
    public double TopMargin { get; init; } = 12;

    /// <summary>Labels beside each other.</summary>
    public int Columns { get; init; } = 3;

    /// <summary>Labels below each other.</summary>
    public int Rows { get; init; } = 8;

    /// <summary>Room between labels.</summary>
    public double Gap { get; init; } = 2;

    /// <summary>Labels used up already on the first sheet.</summary>
    public int Used { get; init; }

    /// <summary>Width of one label.</summary>
    [JsonIgnore]
    public double LabelWidth => (PageWidth - (2 * SideMargin) - ((Columns - 1) * Gap)) / Columns;

    /// <summary>Height of one label.</summary>
    [JsonIgnore]
    public double LabelHeight => (PageHeight - (2 * TopMargin) - ((Rows - 1) * Gap)) / Rows;

    /// <summary>Checks the sheet.</summary>
    public InputCheck Check()
    {
        InputCheck check = new InputCheck()
            .Within("pageWidth", "The width of the page", PageWidth, 20, 1000, Quantity.Length)
            .Within("pageHeight", "The height of the page", PageHeight, 15, 1000, Quantity.Length)
            .Within("columns", "The number of columns", Columns, 1, 20, Quantity.Count)
            .Within("rows", "The number of rows", Rows, 1, 60, Quantity.Count)
            .Within("sideMargin", "The side margin", SideMargin, 0, 100, Quantity.Length)
            .Within("topMargin", "The top margin", TopMargin, 0, 100, Quantity.Length)
            .Within("gap", "The gap", Gap, 0, 50, Quantity.Length)
            .Within("used", "The number of labels used up", Used, 0, Math.Max(0, (Columns * Rows) - 1), Quantity.Count);
        return check.Faults.Count > 0
            ? check
            : check.Holds(
                LabelWidth >= 18 && LabelHeight >= 9, "columns", Columns,
                $"A label would be {LabelWidth:0.#} × {LabelHeight:0.#} mm, too small for its code; take fewer columns and rows, or a "
                    + "larger page (18 × 9 mm is the least).");
    }

    /// <summary>The labels as PDF.</summary>
    public byte[] Draw(IReadOnlyList<Label> labels)
    {
        Print.UseFonts();
        using PdfDocument document = new();
        document.Info.Title = "Labels";
        int perPage = Columns * Rows;
        XGraphics? page = null;
        for (int i = 0; i < labels.Count; i++)
        {
            int place = (i + Used) % perPage;
            if (page is null || place == 0)
            {
                page?.Dispose();
                PdfPage added = document.AddPage();
                (added.Width, added.Height) = (XUnit.FromMillimeter(PageWidth), XUnit.FromMillimeter(PageHeight));
                page = XGraphics.FromPdfPage(added);
            }

            DrawLabel(page, labels[i], SideMargin + (place % Columns * (LabelWidth + Gap)), TopMargin + (place / Columns * (LabelHeight + Gap)));
        }

        page?.Dispose();
        if (labels.Count == 0) document.AddPage();
        using MemoryStream stream = new();
        document.Save(stream);
        return stream.ToArray();
    }

    private void DrawLabel(XGraphics page, Label label, double left, double top)
    {
        double code = Math.Min(LabelHeight, LabelWidth * 0.42) - 2, x = left + 1, y = top + ((LabelHeight - code) / 2);
        Print.Code(page, label.Link, x, y, code);
        double textLeft = x + code + 1.5, room = LabelWidth - code - 3;
        double size = Math.Min(13, LabelHeight * 0.9);
        XFont number = Print.Fitting(page, label.Number, size, room, XFontStyleEx.Bold);
        double line = y + (number.Size * 0.3528 * 0.8);
        page.DrawString(label.Number, number, XBrushes.Black, Print.Mm(textLeft), Print.Mm(line));
        foreach (string text in label.Lines.Where(t => t.Length > 0))
        {
            XFont font = Print.Fitting(page, text, size * 0.58, room, XFontStyleEx.Regular);
            line += font.Size * 0.3528 * 1.4;
            if (line > top + LabelHeight) break;
            page.DrawString(text, font, XBrushes.Black, Print.Mm(textLeft), Print.Mm(line));
        }
    }
}
