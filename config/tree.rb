require "ripper"
require "tsort"

# What bin/lint checks of the tree as a whole: the size of files, the length of lines in
# templates, and which room uses which. Rooms are folders, and so is each place; an arrow is a constant that a
# file of one names and a file of another defines.
class Tree
  LONGEST_FILE = 250 # lines
  LONGEST_LINE = 160 # characters of a template
  SIZED = "{app,lib,config,db,spec,bench,assets}/**/*.{rb,erb,js,css}"
  # From the ground up; each room uses only those on its own floor and below.
  FLOORS = [
    %w[lib/magpie.rb], %w[lib/magpie/text lib/magpie/limits], %w[lib/magpie/color lib/magpie/difference],
    %w[lib/magpie/library], %w[lib/magpie/notation lib/magpie/press lib/magpie/vision lib/magpie/names],
    %w[lib/magpie/picture lib/magpie/making lib/magpie/palette],
    %w[lib/magpie/artwork lib/magpie/painters], %w[lib/magpie/formats], %w[lib/magpie/walls], %w[lib/magpie/shell],
    %w[app/models app/page app/following], %w[app/queries], %w[app/changes], %w[app/frame], %w[app/places/*], %w[app/places], %w[app]
  ].freeze

  def initialize(root) = @root = root

  # @return [Array<String>] a line each, none where all is well
  def problems = sizes + lines + asking + wrong_way + meddling + circles + loose

  private

  def files(pattern) = Dir.glob(pattern, base: @root).sort

  def read(file) = File.read(File.join(@root, file))

  def sizes
    files(SIZED).filter_map do |file|
      count = read(file).count("\n")
      "#{file} has #{count} lines: #{LONGEST_FILE} at most" if count > LONGEST_FILE && !file.start_with?("db/demo", "spec/samples")
    end
  end

  def lines
    files("app/**/*.erb").flat_map do |file|
      read(file).lines.each.with_index(1).filter_map { |line, number| "#{file}:#{number} has #{line.chomp.size} characters: #{LONGEST_LINE} at most" if line.chomp.size > LONGEST_LINE }
    end
  end

  # A template is given values: it calls no table, query or change.
  def asking
    names = files("app/{models,queries,changes}/*.rb").map { |file| File.basename(file, ".rb").split("_").map(&:capitalize).join }
    files("app/**/*.erb").flat_map do |file|
      read(file).scan(/<%.*?%>/m).join.scan(/(?<![:\w])(#{names.join("|")})\.[a-z]/).flatten.uniq.map { |name| "#{file} asks #{name}: give it a page object with the value" }
    end
  end

  # Files of the core's root belong to the room of their name.
  def loose = files("lib/magpie/*.rb").filter_map { |file| "#{file} lies loose: it has no room" unless File.directory?(File.join(@root, file.delete_suffix(".rb"))) }

  def wrong_way
    arrows.filter_map { |(from, to), pairs| "#{from} uses #{to}, which lies above it: #{pairs.first.join(" → ")}" if floor(to) > floor(from) }
  end

  # A place knows itself, its frame and what lies below, but no other place.
  def meddling
    arrows.filter_map { |rooms, pairs| "#{rooms[0]} uses #{rooms[1]}, another place: #{pairs.first.join(" → ")}" if rooms.all? { |room| room.start_with?("app/places/") } }
  end

  def circles
    graph = arrows.keys.group_by(&:first).transform_values { |pairs| pairs.map(&:last) }
    each_node = ->(&block) { arrows.keys.flatten.uniq.each(&block) }
    TSort.strongly_connected_components(each_node, ->(room, &block) { graph.fetch(room, []).each(&block) }).select { |rooms| rooms.size > 1 }.map { |rooms| "#{rooms.sort.join(", ")} use each other in a circle" }
  end

  def floor(room) = FLOORS.index { |rooms| rooms.any? { |name| File.fnmatch(name, room) } } || raise("#{room} is on no floor: see FLOORS in config/tree.rb")

  # {[room, room] => [[file, file], …]}
  def arrows
    @arrows ||= sources.each_with_object(Hash.new { |all, pair| all[pair] = [] }) do |(file, (named, _)), found|
      named.uniq.filter_map { |name, scope| owner(name, scope) }.uniq.each { |other| found[[room(file), room(other)]] << [file, other] if room(file) != room(other) }
    end.freeze
  end

  def room(file)
    return file.delete_suffix(".rb") if file.match?(%r{\Alib/magpie/[^/]+\.rb\z})
    file.start_with?("lib/magpie/") ? file[%r{\Alib/magpie/[^/]+}] : (file[%r{\Aapp/places/[^/]+(?=/)|\Aapp/[^/]+(?=/)}] || file[/\Aapp/] || file)
  end

  # {file => [constants that it names with the scope they stand in, those that it defines]}
  def sources
    @sources ||= files("{lib/magpie.rb,lib/magpie/**/*.rb,app/**/*.rb}").to_h { |file| [file, [[], []].tap { |lists| collect(Ripper.sexp(read(file)), [], *lists) }] }
  end

  def owners
    @owners ||= sources.each_with_object({}) do |(file, (_, defined)), all|
      base = File.basename(file, ".rb").delete("_")
      defined.each { |name| all[name] = file if !all.key?(name) || name.split("::").last.downcase == base }
    end
  end

  def owner(name, scope) = scope.size.downto(0).lazy.filter_map { |depth| owners[[*scope.first(depth), name].join("::")] }.first

  def collect(node, scope, named, defined)
    return unless node.is_a?(Array)
    case node.first
    when :module, :class then inside(node, scope, named, defined)
    when :const_path_ref, :top_const_ref then named << [path(node).join("::"), scope]
    when :var_ref then named << [node[1][1], scope] if node[1].is_a?(Array) && node[1][0] == :@const
    when :assign
      defined << [*scope, node[1][1][1]].join("::") if node[1].is_a?(Array) && node[1][0] == :var_field && node[1][1][0] == :@const
    end
    node.each { |child| collect(child, scope, named, defined) } unless %i[module class const_path_ref top_const_ref].include?(node.first)
    collect(node[1], scope, named, defined) if node.first == :const_path_ref
  end

  def inside(node, scope, named, defined)
    within = scope + path(node[1])
    defined << within.join("::")
    node[2..].each { |child| collect(child, within, named, defined) }
  end

  def path(node)
    return [] unless node.is_a?(Array)
    (node[0] == :@const) ? [node[1]] : node.flat_map { |child| path(child) }
  end
end
