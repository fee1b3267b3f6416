# Requests that nobody means: every route, with values of all kinds in every field that
# the application ever asks for.
class OddRequests
  # Names that are asked for anywhere, read from the code, so that none is forgotten.
  NAMES = Dir[File.expand_path("../../app/**/*.{rb,erb}", __dir__)].flat_map { |path| File.read(path).scan(/param(?:\.\w+\(|\[):(\w+)/).flatten }.uniq.sort.freeze
  ODD = ["", " ", "0", "-1", "1", "7", "9" * 30, "99999999999", "1e400", "-1e-400", "NaN", "Infinity", "0x1F", "1_000", "١٢", "s1", "s", "#fff", "rgb(1 2 3)", "oklch(1e300 1e300 1e300)", "a\0b", "\xFF\xFE", "é" * 300,
    "x" * 20_000, "<b>&\"'</b>", "../../../etc/passwd", "%", "%00", "1,2,3", ",,,", "1:2", "a\r\nLocation: http://quillmere.example", "//quillmere.example/", "javascript:x", "{name} {n} {x}", "\u202E", "null", "[]", "on"].freeze
  SHAPES = [->(value) { value }, ->(value) { [value] }, ->(value) { [value, value] }, ->(value) { {"x" => value} }, ->(value) { {"tempfile" => value, "filename" => "a.png"} }, ->(value) { [{"tempfile" => value}] }, ->(value) { {"x" => [value, {"y" => value}]} }].freeze
  ROUTES = Places::Router::ALL.flat_map { |place| %w[GET POST].flat_map { |verb| place.routes.fetch(verb, []).map { |pattern, _| [verb, pattern.to_s] } } }.uniq.freeze
  KINDS = {"project" => Project, "palette" => Palette, "swatch" => Swatch, "group" => Group, "source" => Source, "artwork" => Artwork, "find" => Find, "import" => Import, "better" => Import, "library" => Library, "condition" => Condition, "change" => RecordedChange}.freeze

  # @!attribute verb, path [String]
  # @!attribute fields [Hash] as Rack nests them
  # @!attribute headers [Hash{String => String}]
  Request = Struct.new(:verb, :path, :fields, :headers)

  def initialize(random) = @random = random

  # @return [Request]
  def one
    verb, pattern = ROUTES.sample(random: @random)
    path = addressed(pattern) { |name| (name == "project" && @random.rand < 0.9) ? real("project") : value(name) }
    Request.new(verb, path, fields, headers)
  end

  # Of those that come as JSON, and what is no JSON.
  def actions
    requests = Array.new(@random.rand(3)) { one }
    whole = {"at" => odd_path, "then" => [nil, odd_path].sample(random: @random), "whole" => [true, nil, "x"].sample(random: @random), "actions" => requests.map { |each| {"path" => each.path, "fields" => each.fields.map { |name, value| [name, value] }} }}
    body = begin
      JSON.generate(whole.transform_values { |value| (@random.rand < 0.1) ? ODD.grep_v(/\xFF/n).sample(random: @random).scrub : value })
    rescue
      "{}"
    end
    (@random.rand < 0.2) ? body[0, @random.rand(body.size)] : body
  end

  # Each route with each value in every field that there is, in every shape, and without any.
  EACH = ROUTES.product([*ODD, *SHAPES.map { |shape| shape.call("1") }, nil]).freeze

  # @param one_in [Integer] of so many only one is made, the first of them by "from"
  # @yieldparam request [Request]
  def each(one_in: 1, from: 0)
    EACH.each_with_index do |((verb, pattern), value), number|
      next unless (number + from) % one_in == 0
      yield value.nil? ? Request.new(verb, addressed(pattern) { |name| real(name) }, {}, {}) : whole(verb, pattern, value)
    end
  end

  private

  def whole(verb, pattern, value)
    path = addressed(pattern) { |name| (value.is_a?(String) && !%w[project kind].include?(name)) ? value : real(name) }
    Request.new(verb, path, NAMES.to_h { |name| [name, value] }, {})
  end

  def addressed(pattern) = pattern.gsub(/:(\w+)/) { written(yield($1)) }

  def written(text) = text.b.gsub(/[^\w.~-]/n) { |byte| format("%%%02X", byte.ord) }

  def fields = Array.new(@random.rand(7)) { NAMES.sample(random: @random) }.to_h { |name| [name, (@random.rand < 0.6) ? value(name) : SHAPES.sample(random: @random).call(value(name))] }

  def headers
    {"HTTP_X_WINDOW" => odd, "HTTP_X_SEEN" => odd, "HTTP_REFERER" => "http://example.org#{odd_path}", "HTTP_X_PARTS" => odd, "HTTP_X_PART" => odd, "HTTP_X_REFRESH" => "1", "HTTP_X_PICKED" => "#{real("artwork")}:#{odd}", "HTTP_X_PAINTED" => odd}.select { @random.rand < 0.2 }
  end

  def value(name) = (@random.rand < 0.5) ? real(name) : odd

  def real(name)
    return %w[sources artworks].sample(random: @random) if name == "kind"
    model = KINDS[{"readable" => "source"}.fetch(name, name.sub(/s\z/, ""))] or return odd
    model.order(Arel.sql("id")).offset(@random.rand([model.count, 1].max)).pick(:id).to_s
  end

  def odd = ODD.sample(random: @random)

  def odd_path = ["/", "/projects/#{real("project")}/palettes", "/projects/#{real("project")}/gather?x=1", "//x", "/actions", "", "http://quillmere.example/", "/\r\nx"].sample(random: @random)
end
