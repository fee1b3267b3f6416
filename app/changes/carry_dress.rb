module Changes
  # Gives parts what one part has: its fill, its line, how that is drawn, and how the part
  # is seen, or some of these.
  class CarryDress < Change
    include OfParts
    include Ties
    include Likeness

    WHAT = {"fill" => "fill", "line" => "line", "width" => "line width", "dash" => "dash", "opacity" => "opacity", "effects" => "effects"}.freeze
    SETTINGS = {"width" => %i[width side run], "dash" => %i[dash cap join limit first_mark last_mark], "opacity" => %i[opacity], "effects" => %i[grain grain_size blend filter hidden]}.freeze

    # @param from [[Artwork, Integer]] the part that has it
    # @param what [Array<String>] keys of WHAT
    def initialize(project, from:, what:, **given)
      super(project, **given)
      (@source, @number), @what = from, WHAT.keys & what
    end

    private

    def make
      raise Magpie::Error, "Nothing is carried. Choose fill, line or something else of the part" if @what.empty?
      @part = @source.parts.find_by(position: @number, kind: "part") or raise Magpie::Error, "#{@source.name} has no such part"
      @numbers -= [@number] if @source.drawn_id == @artwork.drawn_id
      raise Magpie::Error, "Carry it to another part" if @numbers.empty?
      found_parts
      (@what & %w[fill line]).each { |role| paint(role) }
      settings.each { |role, set| draw_like(places(role), set) }
    end

    # @return [Array<Integer>] ids of the places that are given it
    def places(role) = own([@artwork], @artwork.places_of(@numbers).where(role:).order(:id).ids)

    def held(role) = (@held ||= @source.places.where(part_id: @part.id).index_by(&:role))[role]

    def paint(role)
      from = held(role) or raise @source.without_parts([@number])
      raise Magpie::Error, "The #{role} of #{@part.label} is a gradient or pattern of its file, and stays there" if from.kind == "reference" && @source.template != @artwork.template
      paint_like(places(role), from)
    end

    # {role => what is set}. A filter is the file's own.
    def settings
      has = PartSettings.new(@source, [@number]).all.values.first
      names = SETTINGS.values_at(*@what & SETTINGS.keys).flatten
      names -= [:filter] if @source.template != @artwork.template
      Magpie::Artwork::Settings.from(names.to_h { |name| [name, has[name]] }).then { |set| Magpie::Artwork::Settings::OF.keys.to_h { |role| [role, set.kept(role)] } }.reject { |_, set| set.empty? }
    end

    def words = "Carried #{Magpie::Text.list(@what.map { |each| WHAT[each] })} of #{@part.label} to #{parts}"
  end
end
