module Changes
  # Parts are painted plain, with a gradient, with a pattern, or not at all, from now on. What
  # they held of another kind is remembered, and what they held of this one comes back.
  class SwitchPaints < Change
    include OfParts
    include Ties

    # @param kind [String] one of Remembering::KINDS
    # @param content [Hand::Content, nil] what is in hand: the other colour of a new gradient
    def initialize(project, kind:, content: nil, **given)
      super(project, **given)
      raise Magpie::Error, "#{kind[0, 40].inspect} is nothing that a part is painted with: expected #{KINDS.join(", ")}" unless KINDS.include?(kind)
      @kind, @content = kind, content
    end

    private

    def make
      places = Place.where(id: found_places).includes(:inks, :follow, :swatch).order(:id).reject { |place| kind_of(place) == @kind }
      raise Magpie::Error, "There is nothing to switch: #{parts} #{(@labels.size == 1) ? "is" : "are"} so already" if places.empty?
      held = places.to_h { |place| [place, (@kind == "none") ? {"kind" => "none"} : place.remembered.to_h[@kind] || new_one(place)] }
      @shared = Swatch.where(id: held.values.flat_map { |each| [each["swatch"], *each["inks"]&.values] }.compact.uniq, shared: true).index_by(&:id)
      ids = places.map(&:id)
      clear_places(ids)
      update_each(Place, held.to_h { |place, each| [place.id, {**Place::EMPTY, **columns(each), remembered: remembered_with(place)}] })
      create_all(Follow, held.flat_map { |place, each| ties(each).map { |swatch_id, ink| {place_id: place.id, swatch_id:, ink:} } })
    end

    # Does it follow what it followed?
    def follows?(each) = each["swatch"] && @shared[each["swatch"]] && !@shared[each["swatch"]].paint.nil? == (@kind != "plain")

    # @return [Array<[Integer, Integer]>] swatch and ink
    def ties(each)
      return [[each["swatch"], nil]] if follows?(each)
      each["paint"] ? inks(each).map { |ink, swatch| [swatch.id, ink] } : []
    end

    # Swatches that inks go on following.
    # @return [Hash{Integer => Swatch}]
    def inks(each) = each["inks"].to_h.filter_map { |ink, id| [ink.to_i, @shared[id]] if @shared[id] && @shared[id].paint.nil? }.to_h

    def columns(each)
      return {kind: "colour", laid: each["laid"]} if follows?(each)
      return {kind: "compound", laid: each["laid"], paint: inks(each).reduce(Magpie::Palette::Compound.from_h(each["paint"])) { |paint, (ink, swatch)| paint.with_ink(ink, swatch.colour) }} if each["paint"]
      return {kind: "reference", reference: each["reference"]} if each["reference"] && in_file?(each["reference"])
      colour = each["colour"] && Magpie::Color.from_h(each["colour"])
      colour ? {kind: "colour", colour:, hex: colour.hex} : {}
    end

    # Another file may have taken its place.
    def in_file?(reference)
      name = Magpie::Artwork::Identifiers.safe(reference[/\Aurl\(#(.*)\)\z/, 1].to_s)
      Drawings.of(@artwork.template).include?(%(id="#{Magpie::Artwork::Identifiers::MARK}#{CGI.escapeHTML(name)}"))
    end

    # What a place gets that never held one of the kind: of the colours that it has.
    def new_one(place)
      inks = colours_of(place)
      return {"kind" => "colour", "colour" => inks[0].colour.to_h, "swatch" => inks[0].reference}.compact if @kind == "plain"
      inks << other(inks[0]) if inks.size < 2
      gradient = @kind == "gradient"
      inks = inks.first(gradient ? 12 : 2)
      inks = inks.each_with_index.map { |ink, index| ink.with(offset: index.fdiv(inks.size - 1), opacity: gradient ? ink.opacity : 1.0) }
      paint = Magpie::Palette::Compound.new(form: gradient ? "linear" : "stripes", angle: gradient ? 90.0 : 45.0, size: 24.0, mixing: "oklab", inks:)
      {"kind" => "compound", "paint" => paint.to_h, "inks" => inks.each_with_index.filter_map { |ink, index| [index.to_s, ink.reference] if ink.reference }.to_h}
    end

    # @return [Array<Magpie::Palette::Compound::Ink>]
    def colours_of(place)
      paint = place.swatch&.paint || place.paint
      return paint.inks.dup if paint
      colour = place.swatch&.colour || place.colour
      colour ? [ink(colour, place.swatch_id)] : [in_hand || ink(Magpie::Notation.parse("#808080"), nil)]
    end

    def ink(colour, reference, **given) = Magpie::Palette::Compound::Ink.new(colour:, reference:, offset: 0.0, **given)

    # What is in hand, where that is a plain colour.
    def in_hand = (ink(@content.colour, @content.swatch_id) if @content && !@content.css)

    # Beside the one colour that is there: the one in hand, or nothing.
    def other(one)
      held = in_hand
      (held && held.colour.hex != one.colour.hex) ? held : one.with(opacity: 0.0)
    end

    def words
      return "Painted #{parts} with nothing" if @kind == "none"
      "Painted #{"the line of " if @role == "line"}#{parts} #{(@kind == "plain") ? "plain" : "with a #{@kind}"}"
    end
  end
end
