using System.Globalization;
using Incisura.Core.Calculation;
using Incisura.Core.Geometry;
using Incisura.Core.Quantities;
using Incisura.Exchange.Editions;
using PdfSharp.Drawing;
using PdfSharp.Pdf;

namespace Incisura.Exchange.Paper;

/// <summary>A published record on a sheet of its own.</summary>
/// <param name="Record">The record.</param>
/// <param name="Warning">What became of it since; empty where it holds.</param>
/// <param name="Outline">Outline of cutter and holder; empty where it is not known any more.</param>
/// <param name="Link">What its code holds: where it is looked up.</param>
public sealed record DataCard(PublishedRecord Record, string Warning, Profile Outline, string Link);

/// <summary>Sizes of paper that cards are printed on.</summary>
public enum CardPaper
{
    /// <summary>210 × 297 mm, with everything.</summary>
    A4,

    /// <summary>105 × 148 mm, with what is needed at the machine.</summary>
    A6,
}

/// <summary>Data cards for the machine: picture, figures, what they hold for, warnings, and the code by which they are looked up.</summary>
/// <param name="Paper">Size of the paper.</param>
/// <param name="Inch">Whether figures are told in the units of the inch.</param>
/// <param name="Heading">Workshop and edition, for the foot.</param>
/// <param name="PrintedAt">When they are printed, for the foot.</param>
public sealed record DataCards(CardPaper Paper, bool Inch, string Heading, string PrintedAt)
{
    // So many of what is set at the machine stand large.
    private const int MostLarge = 4;

    private static readonly XBrush Muted = new XSolidBrush(XColor.FromArgb(0x5C, 0x67, 0x73)),
        Ink = new XSolidBrush(XColor.FromArgb(0x1D, 0x26, 0x30));

    private static readonly XPen Line = new(XColor.FromArgb(0xDD, 0xD8, 0xCE), 0.5), Outline = new(XColor.FromArgb(0x1D, 0x26, 0x30), 0.7);

    private (double Width, double Height, double Margin, double Size) Page => Paper == CardPaper.A4 ? (210, 297, 16, 9.5) : (105, 148, 6, 7);

    /// <summary>What stands below the large figures: first what else is set at the machine, then what the figures hold for.</summary>
    /// <param name="r">The record.</param>
    public IReadOnlyList<(string Name, string Value)> Told(PublishedRecord r)
    {
        IReadOnlyList<PublishedFigure> set = r.SetAtMachine();
        IReadOnlyList<string> notStated = r.NotStated();
        string Stated(string code, string text) => (notStated.Contains(code) ? "not stated, taken as " : "") + text;
        List<(string Name, string Value)> rows =
        [
            .. set.Skip(MostLarge).Select(f => (f.Name, Stated(f.Code, Text(f.Value, f.Quantity)))),
            .. r.HoldsFor().Select(s => ("Holds for " + Small(s.Name), Stated(s.Code, Text(s.Value, s.Quantity)))),
            .. r.Options.Select(o => (o.Name, o.Words)),
            .. Registers(r.Assembly),
        ];
        if (Paper != CardPaper.A4) return rows;
        rows.AddRange(r.Figures.Where(f => f.Rank != "behind" && set.All(s => s.Code != f.Code)).Select(f => (f.Name, Text(f.Value, f.Quantity))));
        rows.AddRange(
            r.Limits.Where(l => l.Use is not null).OrderByDescending(l => l.Use).Take(5)
                .Select(l => ("Use of " + Small(l.Name), $"{l.Use * 100:0} %")));
        return rows;
    }

    private static IEnumerable<(string, string)> Registers(PublishedAssembly a)
    {
        if (a.LengthRegister is { } length) yield return ("Length register", length.ToString(CultureInfo.InvariantCulture));
        if (a.DiameterRegister is { } diameter) yield return ("Diameter register", diameter.ToString(CultureInfo.InvariantCulture));
        foreach (PublishedPlace p in a.Places) yield return ("Stands in", p.ToString());
        if (a.StockPlace.Length > 0) yield return ("Kept in", a.StockPlace);
    }

    private static string Small(string name) => char.ToLowerInvariant(name[0]) + name[1..];

    /// <summary>The cards as PDF, each on a page of its own.</summary>
    public byte[] Draw(IEnumerable<DataCard> cards)
    {
        Print.UseFonts();
        using PdfDocument document = new();
        document.Info.Title = Heading;
        foreach (DataCard card in cards)
        {
            PdfPage page = document.AddPage();
            (page.Width, page.Height) = (XUnit.FromMillimeter(Page.Width), XUnit.FromMillimeter(Page.Height));
            using XGraphics graphics = XGraphics.FromPdfPage(page);
            new Sheet(this, graphics).Draw(card);
        }

        using MemoryStream stream = new();
        document.Save(stream);
        return stream.ToArray();
    }

    private string Text(double value, string quantity)
    {
        QuantityUnits units = Units.Of(Enum.Parse<Quantity>(quantity, ignoreCase: true));
        ShownUnit unit = Inch ? units.Inch : units.Metric;
        double shown = Math.Round(value / unit.PerBase, unit.Decimals);
        string number = shown.ToString((Math.Abs(shown) < 10_000 ? "F" : "N") + unit.Decimals, Grouped);
        return unit.Unit is "" or "°" ? number + unit.Unit : $"{number} {unit.Unit}";
    }

    private static readonly NumberFormatInfo Grouped = new() { NumberGroupSeparator = "\u2009" };

    // One page as it is filled from above.
    private sealed class Sheet(DataCards cards, XGraphics page)
    {
        private readonly double left = cards.Page.Margin, right = cards.Page.Width - cards.Page.Margin, size = cards.Page.Size;
        private double y = cards.Page.Margin;

        private bool Whole => cards.Paper == CardPaper.A4;

        private double Bottom => cards.Page.Height - cards.Page.Margin - (size * 1.1);

        public void Draw(DataCard card)
        {
            PublishedRecord r = card.Record;
            double code = Whole ? 30 : 19;
            Print.Code(page, card.Link, right - code, y, code);
            Say(r.Assembly.Number, size * 2.1, right - left - code - 3, XFontStyleEx.Bold, Ink);
            Say(Sentence(r), size, right - left - code - 3, XFontStyleEx.Regular, Ink);
            y = Math.Max(y, cards.Page.Margin + code + 2);
            if (card.Warning.Length > 0) Banner(card.Warning);
            Picture(card.Outline, Whole ? 42 : 20);
            Large([.. r.SetAtMachine().Take(MostLarge)]);
            Rows(cards.Told(r));
            if (r.Against() is { Length: > 0 } against) Say("! " + against, size, right - left, XFontStyleEx.Bold, Ink);
            foreach (PublishedFinding f in r.Findings.Where(f => f.Severity != "info"))
                Caution(f, r.Accepted.FirstOrDefault(a => a.Code == f.Code && a.Says == f.Says));
            if (r.Until is { } until) Say($"Approved until {until}.", size, right - left, XFontStyleEx.Bold, Ink);
            if (r.Pieces is { } pieces) Say($"Approved for {pieces} pieces.", size, right - left, XFontStyleEx.Bold, Ink);
            if (r.Note.Length > 0) Say(r.Note, size, right - left, XFontStyleEx.Regular, Ink);
            Foot(r);
        }

        private string Sentence(PublishedRecord r) =>
            $"{r.Operation.Name}{(r.Operation.Thread is { } thread ? " " + thread : "")} of {r.Material.Name}"
                + $"{(r.Material.Hardness is { } hb ? $", {hb:0} HB" : "")} with {r.Cutter.Family} {r.Cutter.Number}, "
                + $"{cards.Text(r.Assembly.Projection, "length")} out of a {r.Assembly.HolderKind}, on {r.Machine.Name}";

        private void Large(List<PublishedFigure> figures)
        {
            double column = (right - left) / Math.Max(1, Math.Min(figures.Count, Whole ? 4 : 2));
            for (int i = 0; i < figures.Count; i++)
            {
                int across = Whole ? 4 : 2;
                double x = left + (i % across * column);
                if (i > 0 && i % across == 0) y += size * 1.35;
                string value = cards.Text(figures[i].Value, figures[i].Quantity);
                XFont name = new(Print.Family, size * 0.85), number = Print.Fitting(page, value, size * 1.9, column - 3, XFontStyleEx.Bold);
                page.DrawString(figures[i].Name, name, Muted, Print.Mm(x), Print.Mm(y + (size * 0.3)));
                page.DrawString(value, number, Ink, Print.Mm(x), Print.Mm(y + (size * 1.05)));
            }

            y += size * 1.45;
        }

        private void Rows(IReadOnlyList<(string Name, string Value)> rows)
        {
            double gap = 6, column = ((right - left) - gap) / 2, row = size * 0.46;
            int half = (rows.Count + 1) / 2;
            XFont font = new(Print.Family, size * 0.9);
            for (int i = 0; i < rows.Count; i++)
            {
                double x = left + (i / half * (column + gap)), line = y + ((i % half) + 1) * row;
                double value = Print.WidthOf(page, rows[i].Value, font);
                page.DrawString(
                    rows[i].Name, Print.Fitting(page, rows[i].Name, size * 0.9, column - value - 2, XFontStyleEx.Regular), Muted, Print.Mm(x),
                    Print.Mm(line));
                page.DrawString(rows[i].Value, font, Ink, Print.Mm(x + column - value), Print.Mm(line));
                page.DrawLine(Line, Print.Mm(x), Print.Mm(line + 1), Print.Mm(x + column), Print.Mm(line + 1));
            }

            y += (half * row) + 3;
        }

        private void Banner(string warning)
        {
            double top = y;
            y += 1.5;
            Say(warning, size * 1.15, right - left - 6, XFontStyleEx.Bold, Ink, indent: 4);
            page.DrawRectangle(XBrushes.Black, Print.Mm(left), Print.Mm(top), Print.Mm(1.6), Print.Mm(y - top));
            y += 2;
        }

        private void Caution(PublishedFinding f, PublishedAcceptance? accepted)
        {
            Say("! " + f.Says, size, right - left, XFontStyleEx.Bold, Ink);
            if (accepted is not null) Say($"May stand: {accepted.Reason} ({accepted.By})", size * 0.9, right - left, XFontStyleEx.Regular, Muted, 3);
        }

        // To the largest scale that fits, lying, the tip to the left.
        private void Picture(Profile profile, double height)
        {
            if (profile.Elements.Count == 0) return;
            double scale = Math.Min((right - left) / profile.Length, (height - 2) / profile.Girth), axis = y + (profile.Girth * scale / 2) + 1;
            foreach (ProfileElement e in profile.Elements)
            {
                (double Z, double R)[] way = [(e.FromZ, e.FromR), .. e.Points(Profile.Sagitta)];
                XPoint[] upper = [.. way.Select(p => At(p.Z, p.R))];
                page.DrawLines(Outline, upper);
                if (profile.Shape == ProfileShape.Flat) continue;
                page.DrawLines(Outline, [.. way.Select(p => At(p.Z, -p.R))]);
                page.DrawLine(Line, At(e.ToZ, e.ToR), At(e.ToZ, -e.ToR));
            }

            y = axis + (profile.Girth * scale / 2) + 3;
            XPoint At(double z, double r) => new(Print.Mm(left + (z * scale)), Print.Mm(axis - (r * scale)));
        }

        private void Foot(PublishedRecord r)
        {
            y = Bottom;
            page.DrawLine(Line, Print.Mm(left), Print.Mm(y - (size * 0.4)), Print.Mm(right), Print.Mm(y - (size * 0.4)));
            Say(
                $"{r.Record} revision {r.Revision}, approved by {r.ApprovedBy} · {cards.Heading}", size * 0.8, right - left, XFontStyleEx.Regular,
                Muted);
            Say(
                $"Printed {cards.PrintedAt}. Valid until withdrawn: look it up by the code before you run it.", size * 0.8, right - left,
                XFontStyleEx.Regular, Muted);
        }

        // Words in as many lines as they need, above the foot.
        private void Say(string text, double points, double room, XFontStyleEx style, XBrush brush, double indent = 0)
        {
            XFont font = new(Print.Family, points, style);
            double row = points * 0.3528 * 1.3;
            string line = "";
            foreach (string word in text.Split(' ', StringSplitOptions.RemoveEmptyEntries).Append(null!))
            {
                string longer = line.Length == 0 ? word ?? "" : $"{line} {word}";
                if (word is not null && Print.WidthOf(page, longer, font) <= room)
                {
                    line = longer;
                    continue;
                }

                if (line.Length > 0)
                {
                    y += row;
                    page.DrawString(line, font, brush, Print.Mm(left + indent), Print.Mm(y));
                }

                line = word ?? "";
            }

            y += row * 0.25;
        }
    }
}
