module Changes
  # Changes what is written about a swatch: its name, note, code and kind.
  class EditSwatch < Change
    FIELDS = {name: 200, note: 500, code: 80, kind: 20}.freeze

    # @param fields [Hash{Symbol => String}] of FIELDS
    # @param saw [Hash{Symbol => String}] what the person saw there
    def initialize(project, swatch:, fields:, saw: {})
      super(project)
      @swatch, @was, @saw = swatch, swatch.name, saw
      @fields = fields.slice(*FIELDS.keys).to_h { |field, text| [field, Magpie::Text.name(text, longest: FIELDS.fetch(field))] }
    end

    private

    def make
      @swatch.lock!
      @fields[:name] = suggested if @fields[:name] == ""
      @fields.each { |field, mine| check(field, mine) }
      update(@swatch, **@fields.to_h { |field, text| [field, (field == :name || field == :kind) ? text : text.presence] })
      @swatch
    end

    def check(field, mine)
      theirs = @swatch[field].to_s
      raise Conflict.over(@swatch, field:, saw: @saw[field], theirs:, mine:) if @saw[field] && @saw[field] != theirs && theirs != mine && !actor.alone?(project)
      raise Magpie::Error, "#{mine.inspect} is no kind of swatch: expected #{Swatch::KINDS.keys.join(" or ")}" if field == :kind && !Swatch::KINDS.key?(mine)
      raise Magpie::Error, "#{@swatch.group.name} already has a swatch called #{mine}" if field == :name && others.any? { |name| name.casecmp?(mine) }
    end

    def others = @others ||= Swatch.where(group_id: @swatch.group_id).where.not(id: @swatch.id).pluck(:name)

    def suggested = Magpie::ColorName.unused(Magpie::ColorName.suggest(@swatch.colour), others)

    def words = (@fields.key?(:name) && @was != @swatch.name) ? "Renamed #{@was} to #{@swatch.name}" : "Changed the #{Magpie::Text.list(@fields.keys.map(&:to_s))} of #{@swatch.name}"
  end
end
