# The groups and parts of an artwork: as its file nests them, called as its people call them.
class GroupsOfParts
  MOST = 8 # drawings whose groups are kept
  SHOWN = 300 # of what lies in one group
  @kept = {}
  @lock = Mutex.new

  # @!attribute numbers [Array<Integer>] of the parts in it, itself included
  # @!attribute group [String, nil] its key, nil of a part
  # @!attribute hidden, locked [Boolean] all of them
  # @!attribute inside [Boolean] does it hold others?
  Row = Struct.new(:group, :label, :numbers, :hidden, :locked, :inside)

  # @param sha256 [String] of a template
  # @return [Array<Magpie::Artwork::Tree>]
  def self.tree(sha256)
    @kept[sha256] || Magpie::Artwork::Tree.of(Drawings.of(sha256)).freeze.tap do |found|
      @lock.synchronize { @kept = {**@kept, sha256 => found}.to_a.last(MOST).to_h }
    end
  end

  # @param artwork [Artwork]
  def initialize(artwork) = @artwork = artwork

  # @param group [String, nil] key; nil for the outside
  # @return [[Array<Row>, Integer]] the first of what lies right in it, and how much more does
  # @raise [Magpie::Error]
  def within(group = nil) = rows(group ? found(group).children : tree)

  # Parts and groups that are called something like it.
  # @return [[Array<Row>, Integer]] the first ones, and how many more
  def called(text) = text.downcase.then { |wanted| rows(each_node.select { |node| label_of(node).downcase.include?(wanted) }) }

  # @return [String, nil] what a group is called
  def label(group) = each_node.find { |node| node.key == group && !node.part }&.then { |node| label_of(node) }

  def size = parts.size

  private

  def tree = self.class.tree(@artwork.template)

  def each_node(nodes = tree, &block)
    return enum_for(:each_node, nodes) unless block
    nodes.each do |node|
      yield node
      each_node(node.children, &block)
    end
  end

  def found(group) = each_node.find { |node| node.key == group } || raise(Magpie::Error, "#{@artwork.name} has no such group")

  def label_of(node)
    return parts[node.key]&.label.to_s if node.part
    labels[node.key] || node.label || "Group #{node.key[/\d+\z/]}, #{Magpie::Text.count(node.keys.size, "part")}"
  end

  def rows(nodes) = [nodes.first(SHOWN).map { |node| row(node) }, [nodes.size - SHOWN, 0].max]

  def row(node)
    inside = parts.values_at(*node.keys).compact
    Row.new((node.key unless node.part), label_of(node), inside.map(&:position), inside.all? { |part| hidden.include?(part.id) }, inside.all?(&:locked), node.children.any?)
  end

  def labels = @labels ||= Artwork.where(id: @artwork.drawn_id).pick(:group_labels)

  def parts = @parts ||= @artwork.parts.where(kind: "part").index_by(&:key)

  def hidden = @hidden ||= @artwork.places.where("settings ? 'hidden'").pluck(:part_id).to_set
end
