# The boards of the demo: a woven tweed as somebody photographs it, cut, on grounds with trims.
module Demo
  # Threads across and along, with how many of each.
  THREADS = {"#2B8FA2" => 9, "#D9C9A6" => 12, "#6D7284" => 6, "#B98C33" => 4, "#241D53" => 3}.freeze
  BOARDS = {
    "Ticket hall curtains" => [[["Tarn water", "#7FB0B4", 2], "Nebula teal", ["Oat field", "#D9C8A2", 0], "Zenith indigo"], {"Orrery brass" => "braid", "Moonwash" => "lining", "Zenith indigo" => "cord"}],
    "Star trail bench" => [["Apricot", "Peat"], {"Lamp" => "piping"}]
  }.freeze
  # Of the cloth, a little aslant as it lies in the picture.
  CORNERS = [[0.12, 0.1], [0.88, 0.14], [0.86, 0.92], [0.1, 0.88]].freeze

  module_function

  def boards(project)
    source = Changes::BringInSource.perform(project, actor: Actor.new, name: "Curtain tweed.jpg", bytes: tweed)
    BOARDS.each { |name, (grounds, trims)| board(project, source, name, grounds, trims) }
  end

  def board(project, source, name, grounds, trims)
    first, *others = grounds.map { |ground| held(project, ground) }
    board = Changes::BeginBoard.perform(project, actor: Actor.new, source:, corners: CORNERS, straightened: true, name:, content: first)
    variant = board.variants.first
    trims.each_key { |trim| Changes::EditVariant.perform(project, actor: Actor.new, variant: variant.reload, trim: held(project, trim)) }
    Changes::EditVariant.perform(project, actor: Actor.new, variant: variant.reload, uses: trims.values)
    others.each { |content| Changes::AddVariant.perform(project, actor: Actor.new, board:, content:, beside: variant.reload) }
    board.variants.drop(1).each { |each| note(project, board, each) }
    steps = grounds.first.is_a?(Array) ? grounds.first.last : 0
    Changes::EditVariant.perform(project, actor: Actor.new, variant: variant.reload, steps:) if steps > 0
  end

  # What comes nearest, as somebody notes it.
  def note(project, board, variant)
    ground = ShownBoard.new(board).variants.find { |shown| shown.id == variant.id }.ground
    entry = Library.standing.flat_map { |library| LibraryIndex.of(library).to(ground, most: 1) }.min_by(&:last).first
    Changes::EditVariant.perform(project, actor: Actor.new, variant: variant.reload, entry: Entry.find(entry))
  end

  def held(project, ground)
    return Hand::Content.of_swatch(project.swatches.find_by!(name: ground)) if ground.is_a?(String)
    Hand::Content.new(name: ground[0], colour: Magpie::Notation.parse(ground[1]))
  end

  # A twill: each thread goes over two and under two, and each line begins one further on.
  # @return [String] JPEG
  def tweed
    order = THREADS.flat_map { |hex, count| [hex] * count }.each_slice(3).to_a.shuffle(random: Random.new(7)).flatten.map { |hex| [hex.delete("#")].pack("H*").bytes }
    size, thread = 260, 5
    rows = Array.new(size) { |y| Array.new(size) { |x| order[(((x + y) / 2).even? ? x : y) % order.size] }.flatten }
    cloth = ::Vips::Image.new_from_memory_copy(rows.flatten.pack("C*"), size, size, 3, :uchar).copy(interpretation: :srgb)
    lit = cloth.resize(thread, kernel: :linear).rotate(4, background: [206, 203, 198])
    Pictures.grain(lit, 5.0).thumbnail_image(1200, height: 1200, size: :down).jpegsave_buffer(Q: 92)
  end
end
