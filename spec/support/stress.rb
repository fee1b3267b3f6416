require "json"
require "net/http"
require "securerandom"

# Somebody who works quickly, as a browser would for them: what got no answer is sent
# again, under the same key, until it has one.
class BusyPerson
  AGAIN = [502, 503, 504].freeze

  # @!attribute told [Array<[String, String]>] all words, with their kinds
  # @!attribute odd [Array<String>] answers that nobody should ever get
  attr_reader :told, :odd

  # @param at [String] the project's address
  def initialize(port, at, swatches:, groups:, seed:)
    @port, @at, @swatches, @groups, @random, @window = port, at, swatches, groups, Random.new(seed), "window#{seed}"
    @told, @odd, @number, @seed = [], [], 0, seed
  end

  # @yieldreturn [Boolean] whether to go on
  def work
    begin_session
    send_all(Array.new(@random.rand(1..4)) { action }) while yield
  end

  # Keeps that were confirmed, by their names, which are all different.
  def kept = told.filter_map { |words, kind| words[/\AKept (W\d+-\d+) in/, 1] if kind == "done" }

  private

  def begin_session
    page = ask(Net::HTTP::Get.new("#{@at}/palettes"))
    @cookie = page["Set-Cookie"][/\A[^;]+/]
    @token = page.body[/name="authenticity_token" value="([^"]+)"/, 1]
    see page.body
  end

  def see(body) = @seen = body[/data-version="([\d-]+)"/, 1] || @seen

  def send_all(actions)
    request = Net::HTTP::Post.new("/actions", "Content-Type" => "application/json", "Cookie" => @cookie, "X-CSRF-Token" => @token, "X-Window" => @window, "X-Seen" => @seen)
    request.body = JSON.generate(at: "#{@at}/palettes", actions:)
    answer = ask(request)
    return @odd << "#{answer.code} #{answer.body[0, 200]}" unless answer.is_a?(Net::HTTPOK)
    given = JSON.parse(answer.body)
    @told.concat(given["told"])
    see given["page"]
  end

  # Until there is an answer.
  def ask(request)
    loop do
      answer = Net::HTTP.start("127.0.0.1", @port, open_timeout: 2, read_timeout: 20) { |http| http.request(request) }
      return answer unless AGAIN.include?(answer.code.to_i)
    rescue SystemCallError, IOError, Timeout::Error, Net::HTTPBadResponse
      Thread.pass # the server is down
    end
  end

  def action
    path, fields = send(%i[keep keep keep change change share loosen lock edit remove move hold undo undo redo].sample(random: @random))
    {path: "#{@at}/#{path}", fields: {once: SecureRandom.hex(8), **fields}.to_a}
  end

  def swatch = @swatches.sample(random: @random)

  def some = @swatches.sample(@random.rand(1..3), random: @random).join(",")

  def hex = format("#%06X", @random.rand(0x1000000))

  def keep = ["keep", {group: @groups.sample(random: @random), name: "W#{@seed}-#{@number += 1}"}]

  def change = ["swatches/#{swatch}/change", {notation: hex, before: hex}]

  def hold = ["hand", {swatch:}]

  def share = ["selection/share", {ids: some}]

  def loosen = ["selection", {ids: some, do: "loosen"}]

  def lock = ["selection", {ids: some, do: %w[lock unlock unlock].sample(random: @random)}]

  def edit = ["swatches/#{swatch}/edit", {name: "E#{@seed}-#{@random.rand(1000)}"}]

  def remove = ["selection/remove", {ids: swatch}]

  def move = ["selection/move", {ids: some, group: @groups.sample(random: @random), slot: @random.rand(1..9), close: @random.rand(2)}]

  def undo = ["undo", {}]

  def redo = ["redo", {}]
end
